<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Role;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * Somebody who works or worked in the practice, for its owner.
 *
 * @mixin User
 */
final class PersonResource extends JsonResource
{
    use InPracticeTime;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $person = $request->user();

        return [
            'id' => $this->id,
            'name' => $this->name,
            'email' => $this->email,
            'role' => $this->role->value,
            'state' => match (true) {
                $this->left_at !== null => 'left',
                $this->suspended_at !== null => 'suspended',
                $this->signed_in_at === null && $this->is_invited => 'invited',
                default => 'active',
            },
            'second_factor' => $this->account->hasSecondFactor(),
            'signed_in_at' => self::local($request, $this->signed_in_at),
            'cases' => $this->open_cases_count,
            'assigned' => $this->role === Role::Assistant ? $this->assigned_count : null,
            'is_you' => $person instanceof User && $person->id === $this->id,
        ];
    }
}
