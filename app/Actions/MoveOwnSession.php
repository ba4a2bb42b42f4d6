<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\Message;
use App\Models\MessageKind;
use App\Models\User;
use App\Support\CaseWeeks;
use App\Support\OtherDays;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** An athlete puts a session on another day: at once where no rule breaks, else it is asked of whoever treats them. */
final class MoveOwnSession
{
    private const MOST_A_DAY = 20;

    public function __construct(private readonly WriteCase $write, private readonly RefreshStanding $standing) {}

    /**
     * @param string $id made by the phone, so that sending twice moves once
     * @param string $why in the athlete's words; may be empty
     *
     * @return bool whether it has moved; false: it is asked
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, string $id, string $planned, Day $on, string $why): bool
    {
        $moved = false;
        $this->write->run($case, $by, 'asked for another day', function (CareCase $case) use (
            $by,
            $id,
            $planned,
            $on,
            $why,
            &$moved,
        ): bool {
            $moved = Decision::isStored($case, $id);
            if ($moved || Message::isStored($case, $id)) {
                return false;
            }
            if ($case->closed_on !== null || $case->isStopped()) {
                throw InvalidInput::at('/planned', 'must wait: you are to be seen first');
            }
            $days = OtherDays::forSession(CaseWeeks::forCase($case), $planned);
            $choice = $days->choice($on);
            $words = $days->words()->move($days->session, $on);
            $moved = $choice->isFree();
            if ($moved) {
                self::checkCount($case, $by);
                $undo = new UndoData(moved: MoveSessions::put($days->weeks, [$planned => $on]));
                RecordDecision::record(
                    $case,
                    $by,
                    'move',
                    "Moved by the athlete: $words",
                    $why === '' ? null : $why,
                    $this->standing->evaluate($case),
                    $undo,
                    id: $id,
                );
            } else {
                WriteToPractitioner::checkCount($case, $by);
                $now = CarbonImmutable::now()->utc();
                Message::query()->create([
                    'id' => $id,
                    'practice_id' => $case->practice_id,
                    'case_id' => $case->id,
                    'user_id' => $by->id,
                    'kind' => MessageKind::Question,
                    'words' =>
                        "Asks for another day: $words." .
                        ($why === '' ? '' : " “{$why}”") .
                        ' What speaks against it: ' .
                        implode(' ', $days->breaks($choice)),
                    'at' => $now,
                    'sent_at' => $now,
                ]);
                $case->forceFill(['asked_at' => $case->asked_at ?? $now])->save();
            }

            return true;
        });

        return $moved;
    }

    /** @throws InvalidInput */
    private static function checkCount(CareCase $case, User $by): void
    {
        if (
            $case
                ->decisions()
                ->where('user_id', $by->id)
                ->where('at', '>', CarbonImmutable::now()->subDay())
                ->count() >= self::MOST_A_DAY
        ) {
            throw InvalidInput::at(
                '/on',
                'was changed ' . self::MOST_A_DAY . ' times today; call your practice instead',
            );
        }
    }
}
