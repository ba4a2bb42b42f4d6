<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * One line of the Round, from what is stored with the case.
 *
 * @mixin CareCase
 */
final class RoundLine extends JsonResource
{
    public function __construct(private readonly CareCase $case)
    {
        parent::__construct($case);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $case = $this->case;

        return [
            'id' => $case->id,
            'athlete' => ['id' => $case->athlete_id, 'name' => $case->athlete->name, 'act' => $case->athlete->act],
            'practitioner' => $case->practitioner->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'opened_on' => $case->opened_on,
            'revision' => $case->revision,
            'standing' => $case->standing,
        ];
    }
}
