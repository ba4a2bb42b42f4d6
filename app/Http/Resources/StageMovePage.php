<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Rung\Core\Acceptance\StageMove;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\PlanWords;

/** What another stage would ask for, dose by dose, before it is entered. */
final class StageMovePage
{
    /** @return array<string, mixed> */
    public static function present(StageMove $move, Catalogue $catalogue, bool $isMeasured): array
    {
        $title = static fn(Prescription $prescription): string => $catalogue->titleOf($prescription->exercise);
        $words = static fn(Prescription $prescription): string => DoseWords::describe($prescription, $isMeasured);

        return [
            'stage' => $move->stage->stage->key,
            'title' => $move->stage->stage->title,
            'rhythm' => PlanWords::rhythm($move->stage),
            'doses' => array_map(
                static fn(array $dose): array => [
                    'title' => $title($dose['after']),
                    'before' =>
                        $dose['before'] === null
                            ? null
                            : ($dose['before']->exercise === $dose['after']->exercise
                                    ? ''
                                    : $title($dose['before']) . ', ') . $words($dose['before']),
                    'after' => $words($dose['after']),
                    'to_find' =>
                        $dose['after']->dose->load_kg === null &&
                        $catalogue->exercise($dose['after']->exercise)->loadIsFound,
                ],
                $move->doses,
            ),
            'left' => array_map($title, $move->left),
        ];
    }
}
