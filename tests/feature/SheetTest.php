<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Correction;
use App\Models\Import;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Entries come out of a spreadsheet: matched, looked at, taken in as a whole, taken back in one go. */
final class SheetTest extends TestCase
{
    public function testMorningsComeInAndGoBackInOneGo(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        CheckIn::query()
            ->where('case_id', $case->id)
            ->whereBetween('local_on', ['2026-04-01', '2026-04-03'])
            ->update(['superseded' => true]);
        $before = $this->counted($case);
        $sheet = [
            'kind' => 'mornings',
            'text' =>
                "Date;Morning test;Stiffness\n01.04.2026;3;15\n02.04.2026;4;7,5\n03.04.2026;2;\n03.04.2026;2;\n05.04.2026;9;\n",
            'columns' => null,
            'dates' => null,
        ];
        $preview = $this->read($case, $sheet)
            ->assertOk()
            ->assertJsonPath('missing', [])
            ->assertJsonPath('new', 3)
            ->assertJsonPath('faulty', 0)
            ->assertJsonPath('dates', 'dmy');
        self::assertSame(['dmy', 'mdy'], $preview->json('date_forms'), 'each of them could be either');
        self::assertSame(
            [
                'line' => 3,
                'words' => 'Morning of Thu 2 Apr: 4 of 10, stiff for 7.5 min',
                'fault' => null,
                'there' => false,
            ],
            $preview->json('entries.1'),
        );
        self::assertSame(
            [true, true],
            [$preview->json('entries.3.there'), $preview->json('entries.4.there')],
            'twice in the sheet, or answered by the athlete',
        );
        self::assertSame($before, $this->counted($case), 'looking stores nothing');

        $id = Str::uuid()->toString();
        $this->take($case, $sheet + ['id' => $id])
            ->assertStatus(201)
            ->assertJsonPath('stored', 3)
            ->assertJsonPath('imports.0.kind', 'mornings');
        $this->take($case, $sheet + ['id' => $id])
            ->assertStatus(201)
            ->assertJsonPath('stored', 3);
        $this->take($case, $sheet + ['id' => Str::uuid()->toString()])
            ->assertStatus(200)
            ->assertJsonPath('stored', 0);
        self::assertSame($before + 3, $this->counted($case), 'sent again, it counts once');
        $came = CheckIn::query()->where('import_id', $id)->orderBy('at')->firstOrFail();
        self::assertSame(
            ['2026-04-01', 3, 15.0, $this->practitioner()->id],
            [$came->local_on, $came->provocation, $came->stiffness_min, $came->entered_by],
        );
        self::assertNotSame($case->revision, $case->refresh()->revision, 'the case is judged again');

        $this->ask($this->practitioner(), 'DELETE', "/api/cases/$case->id/sheets/$id")->assertOk();
        self::assertSame($before, $this->counted($case));
        self::assertSame(
            3,
            Correction::query()
                ->where('case_id', $case->id)
                ->where('why', 'the sheet it came in with was taken back')
                ->where('withdrawn', true)
                ->count(),
            'each stays in the record',
        );
        $this->ask($this->practitioner(), 'DELETE', "/api/cases/$case->id/sheets/$id")->assertStatus(409);
        foreach (['took in a sheet of mornings', 'took back a sheet of mornings'] as $what) {
            self::assertTrue(
                AccessLogEntry::query()->where('athlete_id', $case->athlete_id)->where('what', $what)->exists(),
            );
        }
    }

    public function testASheetWithAFaultIsShownRowByRowAndTakenInNotAtAll(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $before = $this->counted($case);
        $sheet = [
            'kind' => 'mornings',
            'text' => "Date,Morning test\n2026-04-01,11\n2020-01-01,3\n2026-05-01,3\nyesterday,3\n2026-04-02,\n",
            'columns' => null,
            'dates' => 'ymd',
        ];
        self::assertSame(
            [
                'The morning test must be from 0 to 10, and is 11.',
                'The day must lie between the opening of the case (Sat 21 Mar) and today, and is Wed 1 Jan.',
                'The day must lie between the opening of the case (Sat 21 Mar) and today, and is Fri 1 May.',
                '“yesterday” is no date that can be read.',
                'The morning test is missing.',
            ],
            $this->read($case, $sheet)->assertOk()->assertJsonPath('faulty', 5)->json('entries.*.fault'),
        );
        $refused = $this->take($case, $sheet + ['id' => Str::uuid()->toString()])->assertStatus(422);
        self::assertStringContainsString(
            '5 entries that are wrong, the first in line 2',
            self::text($refused->json('errors.text.0')),
        );
        self::assertSame($before, $this->counted($case));
        self::assertSame(0, Import::query()->where('case_id', $case->id)->count());
        $this->take($case, ['text' => "a,b\n1,2"] + $sheet + ['id' => Str::uuid()->toString()])
            ->assertStatus(422)
            ->assertJsonPath('errors.columns.0', 'Columns must say which column holds: day, morning test, 0–10.');
        $this->read($case, ['text' => "\u{FEFF}"] + $sheet)
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('text');
    }

    public function testExercisesOfADayAreOneSessionAsItWasDone(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        TrainingSession::query()
            ->where('case_id', $case->id)
            ->whereBetween('started_at', ['2026-04-08T00:00:00Z', '2026-04-09T23:00:00Z'])
            ->update(['superseded' => true, 'planned_id' => null]);
        $sheet = [
            'kind' => 'exercises',
            'columns' => null,
            'dates' => null,
            'text' =>
                "Date,Exercise,Sets,Reps,Hold (s),Load (kg),Pain\n" .
                "2026-04-09,\"Leg press, one leg\",4,15,,\"20,5 kg\",2\n2026-04-09,leg extension one leg,3,12,,22.5,3\n2026-04-08,Leg-extension hold at 60°,5,,45,25,1\n2026-04-08,Tightrope,1,1,,,\n",
        ];
        $preview = $this->read($case, $sheet)->assertOk();
        self::assertContains(
            '“leg extension one leg” is no exercise of this plan.',
            array_map(
                static fn(mixed $value): string => preg_replace('/^Line \d+: |^line \d+: /', '', self::text($value)) ??
                    '',
                array_filter((array) $preview->json('entries.*.fault')),
            ),
        );

        $sheet['text'] = str_replace(
            ['leg extension one leg', "2026-04-08,Tightrope,1,1,,,\n"],
            ['"Leg extension, one leg"', ''],
            $sheet['text'],
        );
        $preview = $this->read($case, $sheet)->assertOk()->assertJsonPath('faulty', 0)->assertJsonPath('new', 2);
        self::assertSame(
            'Session of Thu 9 Apr: Leg press, one leg, 4 × 15 at 20.5 kg, pain 2; Leg extension, one leg, 3 × 12 at 22.5 kg, pain 3',
            $preview->json('entries.0.words'),
        );
        $id = Str::uuid()->toString();
        $this->take($case, $sheet + ['id' => $id])
            ->assertStatus(201)
            ->assertJsonPath('stored', 2);
        $session = TrainingSession::query()->where('import_id', $id)->orderByDesc('started_at')->firstOrFail();
        self::assertSame('loading', $session->kind);
        self::assertSame(
            [4, 3],
            array_map(static fn(array $entry): int => count($entry['sets'] ?? []), $session->entries),
        );
        self::assertEquals(20.5, data_get($session->entries, '0.sets.3.load_kg'));
        $hold = TrainingSession::query()->where('import_id', $id)->orderBy('started_at')->firstOrFail();
        self::assertEquals(45, data_get($hold->entries, '0.sets.4.hold_s'));
        $this->take($case, $sheet + ['id' => Str::uuid()->toString()])->assertStatus(200);
    }

    public function testPracticeAndTestsComeInByTheirNames(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $practice = [
            'kind' => 'practice',
            'columns' => null,
            'dates' => null,
            'text' => "Date\tMinutes\tRPE\tPain\n2026-04-10\t95\t7\t2\n",
        ];
        $this->read($case, $practice)->assertJsonPath(
            'entries.0.words',
            'Practice on Fri 10 Apr: 95 min at an effort of 7, pain 2',
        );
        $id = Str::uuid()->toString();
        $this->take($case, $practice + ['id' => $id])->assertStatus(201);
        $session = TrainingSession::query()->where('import_id', $id)->firstOrFail();
        self::assertSame(
            ['sport', 95.0, 7, 2],
            [$session->kind, (float) $session->minutes, $session->effort, data_get($session->entries, '0.pain')],
        );

        $tests = [
            'kind' => 'tests',
            'columns' => null,
            'dates' => null,
            'text' =>
                "Measure,Date,Sore side,Other side\nKnee extension strength,2026-04-11,355,418\nseverity_score,2026-04-11,74,\nNose length,2026-04-11,5,\nKnee extension strength,2026-04-11,355000,418\n",
        ];
        $preview = $this->read($case, $tests)->assertOk()->assertJsonPath('faulty', 2);
        self::assertSame('Knee extension strength on Sat 11 Apr: 355 and 418 N', $preview->json('entries.0.words'));
        self::assertSame('“Nose length” is no measure of this case or the library.', $preview->json('entries.2.fault'));
        $tests['text'] = implode("\n", array_slice(explode("\n", $tests['text']), 0, 3));
        $id = Str::uuid()->toString();
        $this->take($case, $tests + ['id' => $id])
            ->assertStatus(201)
            ->assertJsonPath('stored', 2);
        self::assertEquals(
            [355, 418, 'N'],
            [
                StrengthTest::query()->where('import_id', $id)->firstOrFail()->affected,
                StrengthTest::query()->where('import_id', $id)->firstOrFail()->unaffected,
                StrengthTest::query()->where('import_id', $id)->firstOrFail()->unit,
            ],
        );
        self::assertEquals(74, Outcome::query()->where('import_id', $id)->firstOrFail()->score);
        $this->ask($this->practitioner(), 'DELETE', "/api/cases/$case->id/sheets/$id")->assertOk();
        self::assertTrue(StrengthTest::query()->where('import_id', $id)->firstOrFail()->superseded);
    }

    /** What the tables of this case say comes in again as what is there already. */
    public function testWhatWentOutAsATableIsThereAlready(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $csv = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/tables/mornings.csv")->streamedContent();
        $preview = $this->read($case, ['kind' => 'mornings', 'text' => $csv, 'columns' => null, 'dates' => null])
            ->assertOk()
            ->assertJsonPath('faulty', 0)
            ->assertJsonPath('new', 0);
        self::assertGreaterThan(10, count((array) $preview->json('entries')));
    }

    private function counted(CareCase $case): int
    {
        return CheckIn::query()->where('case_id', $case->id)->where('superseded', false)->count();
    }

    /**
     * @param array<string, mixed> $sheet
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function read(CareCase $case, array $sheet): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/sheets/read", $sheet);
    }

    /**
     * @param array<string, mixed> $sheet
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function take(CareCase $case, array $sheet): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/sheets", $sheet);
    }
}
