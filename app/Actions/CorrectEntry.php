<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Correction;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\EntryLock;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;

/**
 * Puts right, or withdraws, what an athlete entered today or yesterday, as long as nobody has decided on it. What it said
 * before stays in the record. A stop is never taken back by the athlete.
 */
final class CorrectEntry
{
    public function __construct(private readonly WriteCase $write) {}

    /**
     * @param string $id of the correction, made by the phone, so that sending twice changes once
     *
     * @return bool whether it is new
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, string $id, CorrectionData $request): bool
    {
        return $this->write->run(
            $case,
            $by,
            $request->withdrawn ? 'withdrew an entry' : 'corrected an entry',
            static function (CareCase $case) use ($by, $id, $request): bool {
                if (Correction::isStored($case, $id)) {
                    return false;
                }
                $entry =
                    ($request->what === 'session' ? TrainingSession::query() : CheckIn::query())
                        ->where('case_id', $case->id)
                        ->where('superseded', false)
                        ->whereKey($request->entry)
                        ->first() ??
                    throw InvalidInput::at('/entry', 'must name an entry of this case that still counts');
                $locked = EntryLock::whyLocked($case, $entry);
                if ($locked !== null) {
                    throw InvalidInput::at('/entry', $locked);
                }
                $before = $entry->toArray();
                if ($request->withdrawn) {
                    $entry->update(['superseded' => true]);
                } elseif ($entry instanceof TrainingSession) {
                    self::session($entry, $request);
                } else {
                    self::morning($entry, $request);
                }
                Correction::query()->create([
                    'id' => $id,
                    'practice_id' => $case->practice_id,
                    'case_id' => $case->id,
                    'user_id' => $by->id,
                    'what' => $request->what,
                    'entry' => $request->entry,
                    'at' => CarbonImmutable::now()->utc(),
                    'before' => $before,
                    'withdrawn' => $request->withdrawn,
                ]);

                return true;
            },
        );
    }

    private static function session(TrainingSession $session, CorrectionData $request): void
    {
        $session->update([
            'entries' => $session->withPains($request->pains),
            'minutes' => $request->minutes ?? $session->minutes,
            'effort' => $request->effort ?? $session->effort,
            'settled_min' => $request->settledMin ?? $session->settled_min,
        ]);
    }

    private static function morning(CheckIn $morning, CorrectionData $request): void
    {
        $morning->update([
            'provocation' => $request->provocation ?? $morning->provocation,
            'stiffness_min' => $request->stiffnessMin ?? $morning->stiffness_min,
        ]);
    }
}
