<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Models\Role;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What somebody is in the practice from now on. */
final class ChangeRoleRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['role' => ['required', Rule::enum(Role::class)->only(Role::STAFF)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['role.*' => 'Choose what they are in your practice.'];
    }

    public function role(): Role
    {
        return Role::from($this->string('role')->value());
    }
}
