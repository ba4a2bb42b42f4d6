<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A case that whoever looks does not see: whose it is, and no more.
 *
 * @mixin CareCase
 */
final class OtherCaseResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'athlete' => $this->athlete->name,
            'structure' => $this->structure_title,
            'practitioner' => $this->practitioner->name,
        ];
    }
}
