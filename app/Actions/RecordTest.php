<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\StrengthTest as StrengthTestRow;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Strength\TestSense;

/** Stores a test of both sides. */
final class RecordTest
{
    public function __construct(private readonly WriteCase $write, private readonly CatalogueShelf $shelf) {}

    /** @throws InvalidInput */
    public function handle(CareCase $case, User $by, StrengthTest $test): void
    {
        if ($test->on->isAfter(Clock::today($case->practice->timezone))) {
            throw InvalidInput::at('/on', 'must not lie in the future');
        }
        $plan = $case->plan();
        $measure =
            array_column($case->measures($plan, $this->shelf->forCase($case, $plan)), null, 'key')[$test->test] ??
            throw InvalidInput::at('/test', 'must be one that this case follows');
        $unit = $case->tests()->where('test', $test->test)->first()->unit ?? $measure->unit;
        if ($test->unit !== $unit) {
            throw InvalidInput::at('/unit', "must be $unit, as before: other units could not be compared");
        }
        $fault = TestSense::fault($test->affected, $test->unaffected);
        if ($fault !== null) {
            throw InvalidInput::at('/affected', $fault);
        }
        $this->write->run(
            $case,
            $by,
            'recorded a test',
            static fn(CareCase $case): StrengthTestRow => StrengthTestRow::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'test' => $test->test,
                'on' => $test->on->toIso(),
                'affected' => $test->affected,
                'unaffected' => $test->unaffected,
                'unit' => $test->unit,
                'created_at' => CarbonImmutable::now()->utc(),
            ]),
        );
    }
}
