<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Words\VisitWords;

/** A measure by its key: of the library, of the case's plan, or the severity score that was chosen. */
final class FindMeasure
{
    /** @var array<string, array<string, Measure>> by case and revision, for one request */
    private array $followed = [];

    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function byKey(CareCase $case, string $key): ?Measure
    {
        return self::severity($case, $key) ??
            ($this->followed($case)[$key] ?? ($this->shelf->forPractice($case->practice_id)->measures[$key] ?? null));
    }

    /** @return array<string, Measure> */
    private function followed(CareCase $case): array
    {
        $version = "$case->id $case->revision";
        if (isset($this->followed[$version])) {
            return $this->followed[$version];
        }
        $plan = $case->plan();

        return $this->followed[$version] = array_column(
            $case->measures($plan, $this->shelf->forCase($case, $plan)),
            null,
            'key',
        );
    }

    private static function severity(CareCase $case, string $key): ?Measure
    {
        $score = $case->severity;

        return $score === null || $score->name !== $key
            ? null
            : Measure::score(
                $key,
                VisitWords::title($key),
                $score->lowest,
                $score->highest,
                $score->higherIsBetter,
                $score->smallestChange,
            );
    }
}
