<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * An episode of care in short, among others of an athlete.
 *
 * @mixin CareCase
 */
final class EpisodeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'structure' => $this->structure,
            'title' => $this->structure_title,
            'side' => $this->side,
            'opened_on' => $this->opened_on,
            'closed_on' => $this->closed_on,
        ];
    }
}
