<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\Outcome;
use App\Models\StrengthTest;
use Illuminate\Database\Eloquent\Collection;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\Taken;
use Rung\Core\Record\Outcome as Score;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest as Test;
use Rung\Core\Time\Day;

/** All that was measured in a case and still counts, read once. */
final readonly class MeasureHistory
{
    /**
     * @param Collection<int, StrengthTest> $tests
     * @param Collection<int, Outcome> $outcomes
     */
    private function __construct(private CareCase $case, private Collection $tests, private Collection $outcomes) {}

    public static function forCase(CareCase $case): self
    {
        return new self($case, $case->tests()->with('author')->get(), $case->outcomes()->with('author')->get());
    }

    public function course(Measure $measure): MeasureCourse
    {
        $taken = array_map(
            static fn(StrengthTest|Outcome $row): Taken => $row instanceof StrengthTest
                ? Taken::ofTest(
                    new Test($row->test, Day::fromIso($row->on), $row->affected, $row->unaffected, $row->unit),
                )
                : Taken::ofOutcome(new Score($row->measure, Day::fromIso($row->on), $row->score)),
            $this->rows($measure),
        );

        return MeasureCourse::build(
            $measure,
            $taken,
            $this->case->side === Side::Both->value,
            $this->case->athlete->body_mass_kg,
        );
    }

    /** @return list<StrengthTest|Outcome> in the order of the course's points */
    public function rows(Measure $measure): array
    {
        return $measure->eachSide
            ? array_values($this->tests->where('test', $measure->key)->all())
            : array_values($this->outcomes->where('measure', $measure->key)->all());
    }

    /** @return list<string> the keys of all that was ever measured */
    public function keys(): array
    {
        $keys = [
            ...$this->tests->map(static fn(StrengthTest $test): string => $test->test)->all(),
            ...$this->outcomes->map(static fn(Outcome $outcome): string => $outcome->measure)->all(),
        ];

        return array_values(array_unique($keys));
    }
}
