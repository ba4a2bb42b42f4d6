<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\Outcome as OutcomeRow;
use App\Models\StrengthTest as StrengthTestRow;
use App\Models\User;
use App\Support\CatalogueShelf;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Time\Day;
use Rung\Core\Words\VisitWords;

/** Ends a visit with a line in the record: what was tried and measured, and what the practitioner adds. */
final class EndVisit
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly CatalogueShelf $shelf,
    ) {}

    /**
     * @return array{Decision, bool} the line, and whether it is new: sent again it is written once
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, VisitData $visit): array
    {
        // Looked for under the lock of the case: of two sendings at one moment the second finds the first.
        $new = $this->write->run($case, $by, 'ended a visit', function (CareCase $case) use (
            $by,
            $visit,
        ): Decision|false {
            return self::stored($case, $visit->id) === null ? $this->written($case, $by, $visit) : false;
        });

        return $new === false ? [Decision::query()->findOrFail($visit->id), false] : [$new, true];
    }

    /** @throws InvalidInput */
    private function written(CareCase $case, User $by, VisitData $visit): Decision
    {
        [$tests, $scores] = self::measuredSince($case, $visit->began);
        if ($visit->trials === [] && $tests === [] && $scores === [] && $visit->note === null) {
            throw InvalidInput::at('/note', 'is empty, and nothing was tried or measured: write what was done');
        }
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        foreach ($visit->trials as $i => $trial) {
            if (!isset($catalogue->exercises[$trial->exercise])) {
                throw InvalidInput::at("/trials/$i/exercise", 'must be an exercise of the library');
            }
        }
        $evaluation = $this->standing->evaluate($case);
        $words = new VisitWords(
            $catalogue,
            $case->side === Side::Both->value,
            $evaluation->log->file->response_rule->stop_at,
        );

        return RecordDecision::record(
            $case,
            $by,
            'visit',
            $words->describe($visit->trials, $tests, $scores),
            $visit->note,
            $evaluation,
            id: $visit->id,
        );
    }

    /** @throws InvalidInput where the id belongs to something else */
    private static function stored(CareCase $case, string $id): ?Decision
    {
        $found = Decision::query()->find($id);
        if ($found !== null && ($found->case_id !== $case->id || $found->kind !== 'visit')) {
            throw InvalidInput::at('/id', 'is taken; begin the visit again');
        }

        return $found;
    }

    /** @return array{list<StrengthTest>, list<Outcome>} what was stored while the visit went on, in its order */
    private static function measuredSince(CareCase $case, CarbonImmutable $began): array
    {
        $tests = $case->tests()->where('created_at', '>=', $began)->reorder('created_at')->get();
        $scores = $case->outcomes()->where('created_at', '>=', $began)->reorder('created_at')->get();

        return [
            array_values(
                $tests
                    ->map(
                        static fn(StrengthTestRow $test): StrengthTest => new StrengthTest(
                            $test->test,
                            Day::fromIso($test->on),
                            $test->affected,
                            $test->unaffected,
                            $test->unit,
                        ),
                    )
                    ->all(),
            ),
            array_values(
                $scores
                    ->map(
                        static fn(OutcomeRow $outcome): Outcome => new Outcome(
                            $outcome->measure,
                            Day::fromIso($outcome->on),
                            $outcome->score,
                        ),
                    )
                    ->all(),
            ),
        ];
    }
}
