<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Consent;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * An agreement as it was written down.
 *
 * @mixin Consent
 */
final class ConsentResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'purpose' => $this->purpose->title(),
            'given' => $this->given,
            'on' => $this->on,
            'how' => $this->how,
            'by' => $this->user->name,
        ];
    }
}
