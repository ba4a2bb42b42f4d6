<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CaseRecord;
use App\Models\CheckIn as CheckInRow;
use App\Models\Correction;
use App\Models\Import;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Measuring\Measurement;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Session;
use Rung\Core\Record\Side;
use Rung\Core\Table\SheetField;
use Rung\Core\Table\SheetMatch;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Takes a sheet in as a whole, or not at all; and takes it back in one go. */
final class ImportSheet
{
    /** The rows that a sheet makes, each with its name among corrections. */
    private const ROWS = [
        'session' => TrainingSession::class,
        'morning' => CheckInRow::class,
        'test' => StrengthTest::class,
        'score' => Outcome::class,
    ];

    public function __construct(private readonly WriteCase $write, private readonly ReadSheet $read) {}

    /**
     * @return Import|null null where the case has all of it already
     *
     * @throws InvalidInput where a row is wrong, or a column is missing
     */
    public function handle(CareCase $case, User $by, string $id, SheetMatch $match): ?Import
    {
        $missing = $match->missing();
        if ($missing !== []) {
            throw InvalidInput::at(
                '/columns',
                'must say which column holds: ' .
                    implode(', ', array_map(static fn(SheetField $field): string => lcfirst($field->title), $missing)),
            );
        }
        // All of it under the lock of the case: sent twice at once, it is taken in once.
        $this->write->run($case, $by, "took in a sheet of {$match->kind->value}", function (CareCase $case) use (
            $by,
            $id,
            $match,
        ): bool {
            $new = Import::isStored($case, $id) ? [] : $this->sound($case, $match);
            if ($new === []) {
                return false;
            }
            Import::query()->create([
                'id' => $id,
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'user_id' => $by->id,
                'kind' => $match->kind,
                'entries' => count($new),
                'at' => CarbonImmutable::now(),
            ]);
            foreach ($new as $entry) {
                self::put($case, $by, $entry)->update(['import_id' => $id]);
            }

            return true;
        });

        return Import::query()->find($id);
    }

    /**
     * @return list<SheetEntry> what the case does not have yet
     *
     * @throws InvalidInput where a row is wrong
     */
    private function sound(CareCase $case, SheetMatch $match): array
    {
        $entries = $this->read->read($case, $match);
        $faulty = array_values(array_filter($entries, static fn(SheetEntry $entry): bool => $entry->fault !== null));
        if ($faulty !== []) {
            throw InvalidInput::at(
                '/text',
                'has ' .
                    count($faulty) .
                    (count($faulty) === 1 ? ' entry that is' : ' entries that are') .
                    " wrong, the first in line {$faulty[0]->lines[0]}: " .
                    lcfirst(rtrim($faulty[0]->fault ?? '', '.')) .
                    '. Nothing is stored; mend the sheet and choose it again',
            );
        }

        return array_values(array_filter($entries, static fn(SheetEntry $entry): bool => !$entry->isThere));
    }

    /** Strikes out all that the sheet brought and that still counts. */
    public function takeBack(CareCase $case, User $by, Import $import): Import
    {
        return $this->write->run($case, $by, "took back a sheet of {$import->kind->value}", static function (
            CareCase $case,
        ) use ($by, $import): Import {
            if ($import->refresh()->taken_back_at !== null) {
                throw new ConflictHttpException('This sheet was taken back already.');
            }
            foreach (self::ROWS as $what => $model) {
                foreach (
                    $model
                        ::query()
                        ->where('case_id', $case->id)
                        ->where('import_id', $import->id)
                        ->where('superseded', false)
                        ->get()
                    as $row
                ) {
                    Correction::query()->create([
                        'id' => Str::uuid()->toString(),
                        'practice_id' => $case->practice_id,
                        'case_id' => $case->id,
                        'user_id' => $by->id,
                        'what' => $what,
                        'entry' => $row->id,
                        'at' => CarbonImmutable::now()->utc(),
                        'before' => $row->toArray(),
                        'withdrawn' => true,
                        'why' => 'the sheet it came in with was taken back',
                    ]);
                    $row->update(['superseded' => true]);
                }
            }
            $import->update(['taken_back_at' => CarbonImmutable::now()]);

            return $import->refresh();
        });
    }

    /** @throws InvalidInput */
    private static function put(CareCase $case, User $by, SheetEntry $entry): CaseRecord
    {
        $record = $entry->record;
        if ($record instanceof CheckIn) {
            LogCheckIn::put(
                $case,
                $by,
                $record,
                0,
                CarbonImmutable::parse(substr($record->at->toIso(), 0, 10), 'UTC'),
                Clock::now($case->practice->timezone),
            );

            return CheckInRow::query()->findOrFail($record->id);
        }
        if ($record instanceof Session) {
            LogSession::put($case, $by, $record->counted(Side::from($case->side)), $case->currentPlan()->version);

            return TrainingSession::query()->findOrFail($record->id);
        }
        assert($record instanceof Measurement);
        $id = Str::uuid()->toString();
        // It was looked over before it was taken in: what is far from before is not asked about again.
        RecordMeasurement::put($case, $by, $id, $record, true);

        return StrengthTest::query()->find($id) ?? Outcome::query()->findOrFail($id);
    }
}
