<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\CaseFile\Goal;
use Rung\Core\CaseFile\Session;
use Rung\Core\Input\InvalidInput;

/** Stores a session that the athlete did, once, whatever how often it is sent. */
final class LogSession
{
    /** Minutes by which a phone's clock may run ahead. */
    private const CLOCK_AHEAD_MIN = 5;

    public function __construct(private readonly WriteCase $write) {}

    /**
     * @return bool whether it is new; false where this id was stored before, and nothing was changed
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, Session $session, int $planVersion): bool
    {
        $now = Clock::now($case->practice->timezone);
        if ($session->ended_at->micros > $now->micros + self::CLOCK_AHEAD_MIN * 60_000_000) {
            throw InvalidInput::at('/ended_at', 'must not lie in the future; check the clock of this phone');
        }

        return $this->write->run($case, $by, 'logged a session', static function (CareCase $case) use ($session, $planVersion): bool {
            if (TrainingSession::isStored($case, $session->id)) {
                return false;
            }
            self::check($case, $session, $planVersion);
            TrainingSession::query()->create(TrainingSession::fieldsOf($session) + [
                'id' => $session->id,
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'planned_id' => $session->planned,
                'plan_version' => $planVersion,
                'created_at' => CarbonImmutable::now()->utc(),
            ]);

            return true;
        });
    }

    /** @throws InvalidInput where the session names what the case does not have */
    private static function check(CareCase $case, Session $session, int $planVersion): void
    {
        // What was asked of the phone counts as asked, though it may have been withdrawn meanwhile.
        if ($session->planned !== null
            && PlannedSession::query()->where('case_id', $case->id)->whereKey($session->planned)->update(['withdrawn' => false]) === 0) {
            throw InvalidInput::at('/planned', 'must name a planned session of this case');
        }
        if (!$case->planVersions()->where('version', $planVersion)->exists()) {
            throw InvalidInput::at('/plan_version', 'must be a version of this plan');
        }
        $known = [];
        foreach ($case->plan()->fileStages(Goal::from($case->goal)) as $stage) {
            array_push($known, ...array_column($stage->prescriptions, 'key'));
        }
        foreach ($session->entries as $i => $entry) {
            if ($entry->prescription !== null && !in_array($entry->prescription, $known, true)) {
                throw InvalidInput::at("/entries/$i/prescription", 'must name an exercise of this plan');
            }
        }
    }
}
