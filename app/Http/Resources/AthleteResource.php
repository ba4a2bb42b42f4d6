<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Athlete;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * An athlete who was looked for, with what their latest case knows, to begin another with.
 *
 * @mixin Athlete
 */
final class AthleteResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $latest = $this->cases->sortByDesc('opened_on')->first();

        return [
            'id' => $this->id,
            'name' => $this->name,
            'act' => $this->act,
            'body_mass_kg' => $this->body_mass_kg,
            'born_on' => $this->born_on,
            'known' => $latest?->only(['equipment', 'session_minutes', 'available']),
            'cases' => EpisodeResource::collection($this->cases),
        ];
    }
}
