<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Outcome;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** Stores a severity score that was taken again. */
final class RecordScore
{
    public function __construct(private readonly WriteCase $write) {}

    /** @throws InvalidInput */
    public function handle(CareCase $case, User $by, int|float $score, Day $on): void
    {
        $measure =
            $case->severity ??
            throw InvalidInput::at('/score', 'cannot be taken: no score was chosen when this case was opened');
        if ($on->isAfter(Clock::today($case->practice->timezone))) {
            throw InvalidInput::at('/on', 'must not lie in the future');
        }
        $fault = $measure->faultOf($score);
        if ($fault !== null) {
            throw InvalidInput::at('/score', $fault);
        }
        $this->write->run(
            $case,
            $by,
            'recorded a score',
            static fn(CareCase $case): Outcome => Outcome::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'measure' => $measure->name,
                'on' => $on->toIso(),
                'score' => $score,
                'created_at' => CarbonImmutable::now()->utc(),
            ]),
        );
    }
}
