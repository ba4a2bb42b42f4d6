<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A practice that somebody’s account is at home in.
 *
 * @mixin User
 */
final class PlaceResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'practice' => $this->practice->name,
            'role' => $this->role->title(),
            'current' => $this->id === $request->user()?->getAuthIdentifier(),
        ];
    }
}
