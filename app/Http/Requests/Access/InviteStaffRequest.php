<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Access\Email;
use App\Actions\StaffEntry;
use App\Models\Role;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Who is to work in the practice, and as what. */
final class InviteStaffRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'email' => ['required', 'string', 'max:254', 'email'],
            'role' => ['required', Rule::enum(Role::class)->only(Role::STAFF)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'The name is needed, of 80 letters at most.',
            'email.*' => 'This is no e-mail address. The invitation is sent there, and it is what they sign in with.',
            'role.*' => 'Choose what they are in your practice.',
        ];
    }

    public function entry(): StaffEntry
    {
        return new StaffEntry(
            $this->string('name')->trim()->value(),
            Email::folded($this->string('email')->value()),
            Role::from($this->string('role')->value()),
        );
    }
}
