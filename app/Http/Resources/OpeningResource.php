<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Opening;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * An opening that was left.
 *
 * @mixin Opening
 */
final class OpeningResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'step' => $this->step,
            'by' => $this->practitioner->name,
            'updated_at' => $this->updated_at->toIso8601String(),
        ];
    }
}
