<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use Illuminate\Http\JsonResponse;
use Rung\Core\CaseFile\Structure;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Plan\PlanStage;

/** What a case can be opened with. */
final class CatalogueController
{
    public function __invoke(Catalogue $catalogue): JsonResponse
    {
        return new JsonResponse([
            'structures' => array_values(array_map(static fn(StructureInfo $info): array => [
                'key' => $info->structure->value,
                'title' => $info->title,
                'load_relief' => $info->loadRelief,
                'provocation_test' => ['title' => $info->testTitle, 'instruction' => $info->testInstruction],
            ], $catalogue->structures)),
            'programmes' => array_values(array_map(static fn(Programme $programme): array => [
                'key' => $programme->key,
                'title' => $programme->title,
                'summary' => $programme->summary,
                'time_scale' => $programme->timeScale,
                'structures' => array_map(static fn(Structure $structure): string => $structure->value, $programme->structures),
                'school' => $catalogue->school($programme->rule)->title,
                'stages' => array_map(static fn(PlanStage $stage): array => [
                    'key' => $stage->stage->key,
                    'title' => $stage->stage->title,
                ], $programme->plan->stages),
            ], $catalogue->programmes)),
        ]);
    }
}
