<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Acceptance\ChangeNoteKind;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\Json;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\StartsWhen;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Time\Day;
use Rung\Core\Words\ChangeWords;
use Rung\Core\Words\DoseWords;

/** Doses and changes as a practitioner would write them on a sheet. */
final class WordsTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function doses(): iterable
    {
        yield 'repetitions' => [['sets' => 3, 'reps' => 8], '3 × 8'];
        yield 'a corridor of repetitions' => [['sets' => 3, 'reps' => 8, 'reps_to' => 12], '3 × 8–12'];
        yield 'a hold' => [['sets' => 5, 'reps' => 1, 'hold_s' => 45], '5 × 45 s'];
        yield 'a corridor of seconds' => [['sets' => 5, 'reps' => 1, 'hold_s' => 30, 'hold_to_s' => 45], '5 × 30–45 s'];
        yield 'short holds' => [['sets' => 2, 'reps' => 10, 'hold_s' => 3], '2 × 10 × 3 s'];
        yield 'a load, a range and a reserve' => [
            ['sets' => 3, 'reps' => 8, 'load_kg' => 42.5, 'rir' => 2, 'range' => ['from_deg' => 10, 'to_deg' => 90]],
            '3 × 8 at 42.5 kg, 2 in reserve, 10–90°',
        ];
        yield 'no load is left out' => [['sets' => 3, 'reps' => 8, 'load_kg' => 0], '3 × 8'];
        yield 'a band' => [['sets' => 3, 'reps' => 8, 'resistance' => 'thin'], '3 × 8, with thin'];
        yield 'a height' => [['sets' => 3, 'reps' => 8, 'height_cm' => 20], '3 × 8, 20 cm high'];
        yield 'a maximum of as many repetitions is given by them' => [
            ['sets' => 4, 'reps' => 12, 'rm' => 12],
            '4 × 12',
        ];
        yield 'a maximum of more' => [['sets' => 4, 'reps' => 8, 'rm' => 12], '4 × 8, as 12 RM'];
    }

    /** @param array<string, mixed> $dose */
    #[DataProvider('doses')]
    public function testADose(array $dose, string $words): void
    {
        self::assertSame($words, DoseWords::describe(self::prescription($dose)));
    }

    public function testWhatDiffersIsShownWithItsOldAndItsNewValue(): void
    {
        $before = self::prescription(['sets' => 3, 'reps' => 8, 'load_kg' => 40]);
        $after = self::prescription(['sets' => 4, 'reps' => 8, 'reps_to' => 12, 'load_kg' => 42.5]);
        self::assertSame('sets 3 → 4, reps up to none → 12, load 40 → 42.5 kg', DoseWords::difference($before, $after));
        self::assertSame('', DoseWords::difference($before, $before));
        $found = self::prescription(['sets' => 3, 'reps' => 15, 'rm' => 15]);
        self::assertSame(
            'reps 15 → 12, load as found → 25 kg, RM aimed at 15 → 12',
            DoseWords::difference($found, self::prescription(['sets' => 3, 'reps' => 12, 'rm' => 12, 'load_kg' => 25])),
        );
        self::assertSame(
            'load none → 5 kg',
            DoseWords::difference(
                self::prescription(['sets' => 3, 'reps' => 8]),
                self::prescription(['sets' => 3, 'reps' => 8, 'load_kg' => 5]),
            ),
        );
        $faster = self::prescription([
            'sets' => 3,
            'reps' => 8,
            'tempo' => ['lift_s' => 3, 'top_s' => 0, 'lower_s' => 3, 'bottom_s' => 1, 'starts' => 'lower'],
        ]);
        self::assertSame('lower 3 s · pause 1 s · lift 3 s', DoseWords::tempo($faster));
        self::assertNull(DoseWords::tempo($before));
    }

    public function testASetAsItWasDone(): void
    {
        self::assertSame('8 at 40 kg, 2 in reserve', DoseWords::set(new LoggedSet(reps: 8, load_kg: 40, rir: 2)));
        self::assertSame('45 s', DoseWords::set(new LoggedSet(hold_s: 45)));
        self::assertSame('10 × 3 s', DoseWords::set(new LoggedSet(reps: 10, hold_s: 3)));
        self::assertSame('600 s', DoseWords::set(new LoggedSet(work_s: 600)));
        self::assertSame('0', DoseWords::set(new LoggedSet()));
        self::assertSame(
            ['the sore side', 'each side', 'both together'],
            array_map(DoseWords::limbs(...), [Limbs::Affected, Limbs::Each, Limbs::Together]),
        );
    }

    /** @return iterable<string, array{ChangeNote, string}> */
    public static function notes(): iterable
    {
        $squat = self::prescription(['sets' => 3, 'reps' => 8]);
        $split = self::prescription(['sets' => 3, 'reps' => 6], 'split_squat');
        $until = Day::fromIso('2026-04-17');
        yield 'a dose' => [
            new ChangeNote(ChangeNoteKind::Changed, $squat, self::prescription(['sets' => 4, 'reps' => 8])),
            'Squat: sets 3 → 4',
        ];
        yield 'an exercise' => [
            new ChangeNote(ChangeNoteKind::Changed, $squat, $split),
            'Squat → Rear-foot-raised split squat, 3 × 6',
        ];
        yield 'a load' => [
            new ChangeNote(
                ChangeNoteKind::LoadCarried,
                $squat,
                self::prescription(['sets' => 3, 'reps' => 8, 'load_kg' => 20]),
            ),
            'Squat: 20 kg, as lifted',
        ];
        yield 'what comes in' => [
            new ChangeNote(ChangeNoteKind::Added, $squat, $split),
            'Added: Rear-foot-raised split squat, 3 × 6',
        ];
        yield 'what begins in its week' => [
            new ChangeNote(ChangeNoteKind::Begins, after: $split, startsWhen: self::when(['stage_week' => 3])),
            'Begins now: Rear-foot-raised split squat, 3 × 6, as planned for week 3 of the stage',
        ];
        yield 'what begins after the others' => [
            new ChangeNote(ChangeNoteKind::Begins, after: $split, startsWhen: self::when(['others' => 'full'])),
            'Begins now: Rear-foot-raised split squat, 3 × 6, since the other exercises have reached the top of their range',
        ];
        yield 'what begins on a finding' => [
            new ChangeNote(ChangeNoteKind::Begins, after: $split, startsWhen: self::when(['finding' => 'ankle_stiff'])),
            'Begins now: Rear-foot-raised split squat, 3 × 6, since this was found: a stiff ankle',
        ];
        yield 'what stays' => [new ChangeNote(ChangeNoteKind::Unchanged, $squat), 'Squat stays as it is.'];
        yield 'the lower end' => [
            new ChangeNote(ChangeNoteKind::LowerEnd, $squat),
            'Squat: the next session asks for the lower end, 3 × 8.',
        ];
        yield 'the top' => [
            new ChangeNote(ChangeNoteKind::TopOfLadder, $squat),
            'Squat is the top of its ladder: choose what is next by hand.',
        ];
        yield 'the stage before' => [
            new ChangeNote(ChangeNoteKind::StageBefore, $squat),
            'Squat has no easier rung: back to the stage before.',
        ];
        yield 'a rest' => [
            new ChangeNote(ChangeNoteKind::Rests, $squat, days: 7),
            'Squat rests for 7 days, then is tried again.',
        ];
        yield 'holds alone' => [
            new ChangeNote(ChangeNoteKind::HoldsOnly, until: $until),
            'Holds only until Fri 17 Apr',
        ];
        yield 'no loading' => [new ChangeNote(ChangeNoteKind::NoLoading, until: $until), 'No loading until Fri 17 Apr'];
        yield 'kept up' => [
            new ChangeNote(ChangeNoteKind::KeptUp, until: $until, perWeek: 1),
            'Finished: the doses are kept up once a week until Fri 17 Apr',
        ];
        yield 'kept up twice' => [
            new ChangeNote(ChangeNoteKind::KeptUp, until: $until, perWeek: 2),
            'Finished: the doses are kept up twice a week until Fri 17 Apr',
        ];
    }

    #[DataProvider('notes')]
    public function testAChangeInWords(ChangeNote $note, string $words): void
    {
        self::assertSame($words, (new ChangeWords(Support::catalogue()))->note($note));
    }

    public function testAStepTellsAllOfItsChanges(): void
    {
        $notes = array_map(
            static fn(array $note): ChangeNote => $note[0],
            array_values(iterator_to_array(self::notes())),
        );
        $words = (new ChangeWords(Support::catalogue()))->step(
            new PlanStep(new Plan([]), [], array_slice($notes, 0, 2)),
        );
        self::assertSame('Squat: sets 3 → 4; Squat → Rear-foot-raised split squat, 3 × 6', $words);
        self::assertSame('', (new ChangeWords(Support::catalogue()))->step(new PlanStep(new Plan([]), [], [])));
        self::assertCount(
            count(ChangeNoteKind::cases()),
            array_unique(array_map(static fn(ChangeNote $note): string => $note->kind->name, $notes)),
            'every kind is tried',
        );
    }

    /** @param array<string, mixed> $condition */
    private static function when(array $condition): StartsWhen
    {
        return Json::read((string) json_encode($condition), StartsWhen::read(...));
    }

    /** @param array<string, mixed> $dose */
    private static function prescription(array $dose, string $exercise = 'squat'): Prescription
    {
        return Json::read(
            (string) json_encode([
                'key' => 'one',
                'exercise' => $exercise,
                'mode' => isset($dose['hold_s']) ? 'isometric' : 'isotonic',
                'limbs' => 'each',
                'dose' => $dose + ['rest_s' => 60],
            ]),
            Prescription::read(...),
        );
    }
}
