<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CaseShare;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * With whom a case is shared.
 *
 * @mixin CaseShare
 */
final class CaseShareResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->user->name,
            'role' => $this->user->role->title(),
            'kind' => $this->kind->value,
            'reason' => $this->reason,
            'by' => $this->giver->name,
            'until' => $this->until,
        ];
    }
}
