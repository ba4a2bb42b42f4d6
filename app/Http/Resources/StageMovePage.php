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
    public static function of(StageMove $move, Catalogue $catalogue, bool $isMeasured): array
    {
        $title = static fn(Prescription $one): string => $catalogue->titleOf($one->exercise);
        $words = static fn(Prescription $one): string => DoseWords::of($one, $isMeasured);

        return [
            'stage' => $move->stage->stage->key,
            'title' => $move->stage->stage->title,
            'rhythm' => PlanWords::rhythm($move->stage),
            'doses' => array_map(static fn(array $one): array => [
                'title' => $title($one['after']),
                'before' => $one['before'] === null ? null : ($one['before']->exercise === $one['after']->exercise ? '' : $title($one['before']) . ', ') . $words($one['before']),
                'after' => $words($one['after']),
                'to_find' => $one['after']->dose->load_kg === null && $catalogue->exercise($one['after']->exercise)->loadIsFound,
            ], $move->doses),
            'left' => array_map($title, $move->left),
        ];
    }
}
