<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CaseRecord;
use App\Models\CheckIn;
use App\Models\Correction;
use App\Models\Decision;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use App\Models\User;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Strength\TestSense;

/**
 * A practitioner puts an entry right or strikes it out, with a reason. What it said before stays in the record, and the
 * case is evaluated again. A note is never rewritten: it can only be struck out, and stays to be read.
 */
final class PutEntryRight
{
    public function __construct(private readonly WriteCase $write, private readonly FindMeasure $measures) {}

    /**
     * @param string $id of the correction, made by the desk, so that sending twice changes once
     *
     * @return bool whether it is new
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, string $id, EntryChange $change): bool
    {
        return $this->write->run($case, $by, $change->struck ? 'struck out an entry' : 'put an entry right', function (
            CareCase $case,
        ) use ($by, $id, $change): bool {
            if (Correction::isStored($case, $id)) {
                return false;
            }
            $entry = self::entry($case, $change);
            $before = $entry->toArray();
            if ($change->struck && !($entry instanceof Decision)) {
                $entry->update(['superseded' => true]);
            }
            if (!$change->struck) {
                $entry->fill($this->fields($case, $entry, $change));
                if ($entry->isClean()) {
                    throw InvalidInput::at('/entry', 'stays as it is: change something, or strike it out');
                }
                $entry->save();
            }
            Correction::query()->create([
                'id' => $id,
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'user_id' => $by->id,
                'what' => $change->what->value,
                'entry' => $change->entry,
                'at' => CarbonImmutable::now()->utc(),
                'before' => $before,
                'withdrawn' => $change->struck,
                'why' => $change->why,
            ]);

            return true;
        });
    }

    /** @throws InvalidInput where it is not the case's, or counts no more */
    private static function entry(CareCase $case, EntryChange $change): CaseRecord
    {
        $missing = InvalidInput::at('/entry', 'must name an entry of this case that still counts');
        if ($change->what === EntryKind::Note) {
            if (!$change->struck) {
                throw InvalidInput::at(
                    '/struck',
                    'must be chosen: a note is not rewritten; it is struck out, and a new one is written',
                );
            }
            $isStruck = Correction::query()->where('case_id', $case->id)->where('entry', $change->entry)->exists();

            return (!$isStruck
                ? Decision::query()
                    ->where('case_id', $case->id)
                    ->where('kind', 'note')
                    ->whereKey($change->entry)
                    ->first()
                : null) ?? throw $missing;
        }
        $query = match ($change->what) {
            EntryKind::Session => TrainingSession::query(),
            EntryKind::Morning => CheckIn::query(),
            EntryKind::Test => StrengthTest::query(),
            EntryKind::Score => Outcome::query(),
        };

        return $query->where('case_id', $case->id)->where('superseded', false)->whereKey($change->entry)->first() ??
            throw $missing;
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    private function fields(CareCase $case, CaseRecord $entry, EntryChange $change): array
    {
        return match (true) {
            $entry instanceof TrainingSession => [
                'entries' => $entry->withPains($change->pains),
                'minutes' => $change->minutes ?? $entry->minutes,
                'effort' => $change->effort ?? $entry->effort,
            ],
            $entry instanceof CheckIn => [
                'provocation' => $change->provocation ?? $entry->provocation,
                'stiffness_min' => $change->stiffnessMin ?? $entry->stiffness_min,
            ],
            $entry instanceof StrengthTest => $this->tested(
                $case,
                $entry,
                $change->affected ?? $entry->affected,
                $change->unaffected ?? $entry->unaffected,
            ),
            $entry instanceof Outcome => [
                'score' => $this->scored($case, $entry, $change->score ?? $entry->score),
                'details' => ($change->score ?? $entry->score) == $entry->score ? $entry->details : null,
            ],
            default => [],
        };
    }

    /** @throws InvalidInput where the score that was chosen does not go that far */
    private function scored(CareCase $case, Outcome $entry, int|float $score): int|float
    {
        $severity = $case->severity;
        $fault =
            $severity !== null && $severity->name === $entry->measure
                ? $severity->faultOf($score)
                : $this->measures->byKey($case, $entry->measure)?->faultOf($score);

        return $fault === null ? $score : throw InvalidInput::at('/score', $fault);
    }

    /**
     * @return array<string, mixed> with the tries only where the values stay: those of before are in the correction
     *
     * @throws InvalidInput
     */
    private function tested(CareCase $case, StrengthTest $entry, int|float $affected, int|float $unaffected): array
    {
        $measure = $this->measures->byKey($case, $entry->test);
        foreach (['affected' => $affected, 'unaffected' => $unaffected] as $field => $value) {
            $beyond = $measure?->faultOf($value);
            if ($beyond !== null) {
                throw InvalidInput::at("/$field", $beyond);
            }
        }
        $fault = TestSense::fault($affected, $unaffected);
        if ($fault !== null) {
            throw InvalidInput::at('/affected', $fault);
        }

        return [
            'affected' => $affected,
            'unaffected' => $unaffected,
            'details' => $affected == $entry->affected && $unaffected == $entry->unaffected ? $entry->details : null,
        ];
    }
}
