<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Opening;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * An opening that ended with a letter.
 *
 * @mixin Opening
 */
final class ReferralResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'at' => $this->referred_at?->toIso8601String(),
            'by' => $this->practitioner->name,
            'to' => $this->referral['to'] ?? '',
            'letter' => $this->referral['letter'] ?? '',
        ];
    }
}
