<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Models\StageEntry;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Session;
use Rung\Core\Record\Side;
use Rung\Core\Time\Zone;

/**
 * Stores a session that the athlete did, or that a practitioner enters for the athlete, once, whatever how often it is sent and from how many phones. It counts in the
 * stage of the version that it was done from, however late it comes.
 */
final class LogSession
{
    /** Minutes by which a phone's clock may run ahead. */
    private const CLOCK_AHEAD_MIN = 5;

    private const MOST_A_DAY = 24;

    public function __construct(private readonly WriteCase $write) {}

    /**
     * @return bool whether it is new; false where this id was stored before, and nothing was changed
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, Session $session, int $planVersion): bool
    {
        $now = Clock::now($case->practice->timezone);
        $session = $session->counted(Side::from($case->side));
        if ($session->ended_at->micros > $now->micros + self::CLOCK_AHEAD_MIN * 60_000_000) {
            throw InvalidInput::at(
                '/ended_at',
                $by->role->treats()
                    ? 'must not lie in the future'
                    : 'must not lie in the future; check the clock of this phone',
            );
        }
        if ($by->role->treats() && $session->started_at->toIso() < $case->opened_on) {
            throw InvalidInput::at('/started_at', 'must not lie before the case was opened');
        }

        return $this->write->run(
            $case,
            $by,
            'logged a session',
            static fn(CareCase $case): bool => self::put($case, $by, $session, $planVersion),
        );
    }

    /**
     * Within a write to the case.
     *
     * @param Session $session as it counts for the case
     *
     * @throws InvalidInput
     */
    public static function put(CareCase $case, User $by, Session $session, int $planVersion): bool
    {
        if (TrainingSession::isStored($case, $session->id)) {
            return false;
        }
        $version =
            $case->planVersions()->where('version', $planVersion)->first() ??
            throw InvalidInput::at('/plan_version', 'must be a version of this plan');
        self::checkEntries($case, $session);
        self::checkDay($case, $session);
        $fields = TrainingSession::fieldsOf($session) + [
            'id' => $session->id,
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'planned_id' => self::planned($case, $session),
            'plan_version' => $planVersion,
            'after_close' => $case->closed_on !== null,
            // Paper logs and reports by telephone are marked as such.
            'entered_by' => $by->role->treats() ? $by->id : null,
            'created_at' => CarbonImmutable::now()->utc(),
        ];
        TrainingSession::query()->create(
            self::besideOtherPhones(
                $case,
                $session,
                array_replace($fields, ['stage' => self::stageOf($case, $session, $version)]),
            ),
        );

        return true;
    }

    /**
     * What was asked of the phone counts as asked, though it may have been withdrawn meanwhile.
     *
     * @throws InvalidInput where it is of another case
     */
    private static function planned(CareCase $case, Session $session): ?string
    {
        if (
            $session->planned !== null &&
            (!Str::isUuid($session->planned) ||
                PlannedSession::query()
                    ->where('case_id', $case->id)
                    ->whereKey($session->planned)
                    ->update(['withdrawn' => false]) === 0)
        ) {
            throw InvalidInput::at('/planned', 'must name a planned session of this case');
        }

        return $session->planned;
    }

    /** The stage in which the version asks for what was done; without exercises, the one of its day. */
    private static function stageOf(CareCase $case, Session $session, PlanVersion $version): string
    {
        $day = Zone::named($case->practice->timezone)->dayOf($session->started_at)->toIso();
        $entered = StageEntry::query()->where('case_id', $case->id)->orderByDesc('from')->get()->all();
        $ofDay =
            array_values(
                array_filter($entered, static fn(StageEntry $stageEntry): bool => $stageEntry->from <= $day),
            )[0] ?? $entered[count($entered) - 1];
        $done = array_filter(array_map(static fn($entry): ?string => $entry->prescription, $session->entries));
        foreach (Plan::fromJson($version->content)->stages as $planned) {
            $asked = array_column($planned->stage->prescriptions, 'key');
            $wasEntered = in_array(
                $planned->stage->key,
                array_map(static fn(StageEntry $stageEntry): string => $stageEntry->stage, $entered),
                true,
            );
            if ($done !== [] && $wasEntered && array_intersect($done, $asked) !== []) {
                return $planned->stage->key;
            }
        }

        return $ofDay->stage;
    }

    /** @throws InvalidInput where more sessions of that day are kept than anybody does */
    private static function checkDay(CareCase $case, Session $session): void
    {
        $start = Clock::utc($session->started_at);
        if (
            $case
                ->trainingSessions()
                ->where('started_at', '>', $start->subHours(12))
                ->where('started_at', '<', $start->addHours(12))
                ->count() >= self::MOST_A_DAY
        ) {
            throw InvalidInput::at(
                '/started_at',
                'is of a day that has ' .
                    self::MOST_A_DAY .
                    ' sessions already; tell your practitioner if there were more',
            );
        }
    }

    /** @throws InvalidInput where the session names what the case does not have */
    private static function checkEntries(CareCase $case, Session $session): void
    {
        $known = [];
        foreach ($case->plan()->fileStages(Goal::from($case->goal)) as $stage) {
            array_push(
                $known,
                ...array_map(
                    static fn(Prescription $prescription): string => $prescription->key,
                    $stage->prescriptions,
                ),
            );
        }
        foreach ($session->entries as $i => $entry) {
            if ($entry->prescription !== null && !in_array($entry->prescription, $known, true)) {
                throw InvalidInput::at("/entries/$i/prescription", 'must name an exercise of this plan');
            }
        }
    }

    /**
     * Two phones may send the same planned session. Where their times overlap it is one session: the one with more sets
     * counts, the other is kept and set aside. Where they do not, the later is a session more, of its own.
     *
     * @param array<string, mixed> $fields
     *
     * @return array<string, mixed>
     */
    private static function besideOtherPhones(CareCase $case, Session $session, array $fields): array
    {
        $other =
            $session->planned === null
                ? null
                : $case->trainingSessions()->where('planned_id', $session->planned)->first();
        if (!($other instanceof TrainingSession)) {
            return $fields;
        }
        $overlaps =
            $other->started_at->lessThan(Clock::utc($session->ended_at)) &&
            $other->ended_at->greaterThan(Clock::utc($session->started_at));
        if (!$overlaps) {
            return array_replace($fields, ['planned_id' => null]);
        }
        $sets = static fn(array $entries): int => array_sum(
            array_map(
                static fn(mixed $entry): int => is_array($entry) && is_array($entry['sets'] ?? null)
                    ? count($entry['sets'])
                    : 0,
                $entries,
            ),
        );
        $hasMore = $sets((array) $fields['entries']) > $sets($other->entries);
        // A stop sign of either phone is never set aside.
        $signs = array_values(array_unique([...$other->signs, ...array_column($session->signs ?? [], 'value')]));
        if ($hasMore) {
            $other->update(['superseded' => true]);

            return array_replace($fields, ['signs' => $signs]);
        }
        $other->update(['signs' => $signs]);

        return array_replace($fields, ['superseded' => true]);
    }
}
