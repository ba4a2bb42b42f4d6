<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\Taken;
use Rung\Core\Papers\Block;
use Rung\Core\Papers\BlockKind;
use Rung\Core\Papers\CaseCourse;
use Rung\Core\Papers\Letterhead;
use Rung\Core\Papers\Paper;
use Rung\Core\Papers\PaperDraft;
use Rung\Core\Papers\PaperFacts;
use Rung\Core\Papers\PaperKind;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/** Papers are drafted from the record and say nothing that is not in it (docs/rules.md, "Papers"). */
final class PapersTest extends TestCase
{
    /** @return iterable<string, array{PaperKind}> */
    public static function kinds(): iterable
    {
        foreach (PaperKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function testAPaperIsReadAsItWasWritten(PaperKind $kind): void
    {
        foreach ([3, 30, 90] as $days) {
            $paper = PaperDraft::draft($kind, self::facts(self::evaluation(7, $days)));
            self::assertEquals($paper, Paper::fromJson(json_encode($paper->toArray(), JSON_THROW_ON_ERROR)));
            self::assertNotSame([], $paper->shown());
            $keys = array_column($paper->blocks, 'key');
            self::assertSame($keys, array_values(array_unique($keys)), 'each block can be named');
            foreach ($paper->blocks as $block) {
                self::assertLessThanOrEqual(Block::LONGEST, mb_strlen($block->text));
                self::assertDoesNotMatchRegularExpression(
                    '/ {2}|\.\.|,,|\bnull\b|Array| \./',
                    $block->text,
                    "$kind->value, $block->key",
                );
                foreach ($block->rows as $row) {
                    self::assertCount($block->kind === BlockKind::Exercises ? 7 : count($block->columns), $row);
                }
            }
        }
    }

    public function testTheReferrerIsShownTheCourseInNumbersOfTheRecord(): void
    {
        $facts = self::facts(
            self::caseWith()->at(20),
            measures: [self::strength(['2026-03-02' => [300, 400], '2026-03-16' => [360, 400]])],
        );
        $paper = PaperDraft::draft(PaperKind::Referrer, $facts);
        $text = self::textOf($paper, 'stands');
        // Mornings of days 1 to 7 score 4, from the 8th on 2.
        self::assertStringContainsString('scored 4 of 10 on average in the first week and 2 in the last.', $text);
        self::assertStringContainsString(
            'Knee extension strength on Mon 16 Mar 2026: 360 N on the sore side, 400 N on the other (symmetry 90 %).',
            $text,
        );
        self::assertStringContainsString('8 sessions have been done', self::textOf($paper, 'done'));
        self::assertStringContainsString('pain of up to 3 of 10', self::textOf($paper, 'done'));
        self::assertStringContainsString('At 8 of 10 loading stops.', self::textOf($paper, 'done'));
        self::assertSame(
            'Nothing for now. Please tell us if you know of anything that speaks against going on.',
            self::textOf($paper, 'asked'),
        );
        self::assertSame('Nadia Flint, born Mon 4 May 1998, kneecap tendon, left', $paper->about);
    }

    public function testUnderAStopEveryPaperSaysSoAndNothingIsAllowed(): void
    {
        $facts = self::facts(
            self::caseWith()->morning(20, 2, signs: ['swelling'])->at(20),
            coming: [['on' => Day::fromIso('2026-03-21'), 'title' => 'Slow strength']],
        );
        $referrer = PaperDraft::draft(PaperKind::Referrer, $facts);
        self::assertStringContainsString(
            'Loading is stopped: swelling, reported on Fri 20 Mar 2026.',
            self::textOf($referrer, 'stands'),
        );
        self::assertStringContainsString(
            'Please see Nadia Flint before loading goes on',
            self::textOf($referrer, 'asked'),
        );
        $coach = PaperDraft::draft(PaperKind::Coach, $facts);
        self::assertStringStartsWith('No loading for Nadia Flint', self::textOf($coach, 'allowed'));
        self::assertNotContains('days', array_column($coach->shown(), 'key'), 'no day is offered');
        self::assertStringNotContainsString('Slow strength', (string) json_encode($coach->toArray()));
        $sheet = PaperDraft::draft(PaperKind::Sheet, $facts);
        self::assertSame(['stopped', 'call'], array_column($sheet->shown(), 'key'), 'no exercise is asked for');
        $referral = PaperDraft::draft(PaperKind::Referral, $facts);
        self::assertSame('Swelling, reported on Fri 20 Mar 2026.', self::textOf($referral, 'signs'));
        self::assertSame('All loading is stopped until it has been looked at.', self::textOf($referral, 'now'));
    }

    public function testTheCoachIsShownTheWeekAndNoDiagnosis(): void
    {
        $facts = self::facts(
            self::caseWith()->at(20),
            coming: [
                ['on' => Day::fromIso('2026-03-20'), 'title' => 'Slow strength'],
                ['on' => Day::fromIso('2026-03-22'), 'title' => 'Slow strength'],
            ],
            sport: [new ExpectedSport(Day::fromIso('2026-03-21'), 'Rehearsal', 90, 6)],
            events: [Day::fromIso('2026-03-22')],
        );
        $paper = PaperDraft::draft(PaperKind::Coach, $facts);
        $days = array_column($paper->blocks, null, 'key')['days']->rows;
        self::assertSame(
            [
                ['Fri 20 Mar', 'Slow strength', 'none planned'],
                ['Sat 21 Mar', 'none', 'Rehearsal, 90 min at an effort of 6'],
                ['Sun 22 Mar', 'Slow strength', 'show'],
            ],
            array_slice($days, 0, 3),
        );
        self::assertCount(7, $days);
        $names = ['Kneecap tendon', 'patellar tendon', 'jumper’s knee'];
        self::assertSame([], $paper->diagnosisNamed($names));
        self::assertSame('Nadia Flint', $paper->about);
        self::assertStringContainsString('Jumps, sprints, throws', self::textOf($paper, 'not_yet'));

        $written = $paper->written('', ['limits' => 'Her Patellar tendon may hurt a little.'], []);
        self::assertSame(['patellar tendon'], $written->diagnosisNamed($names));
        self::assertSame(
            [],
            $written->written('', [], ['limits'])->diagnosisNamed($names),
            'what is left out gives nothing away',
        );
        self::assertSame(
            [],
            $paper->written('', ['limits' => 'The patellar tendons of others'], [])->diagnosisNamed($names),
            'only whole words count',
        );
        self::assertSame(
            [],
            PaperDraft::draft(PaperKind::Referrer, $facts)->diagnosisNamed($names),
            'a colleague may read the diagnosis',
        );
    }

    public function testWhatWasWrittenTakesThePlaceOfTheDraft(): void
    {
        $paper = PaperDraft::draft(PaperKind::Referrer, self::facts(self::caseWith()->at(20)));
        $written = $paper->written('Dr. Petra Lindqvist', ['asked' => 'Please see her.', 'close' => ''], ['course']);
        self::assertSame('Please see her.', self::textOf($written, 'asked'));
        self::assertSame('Dr. Petra Lindqvist', $written->to);
        self::assertSame(
            ['greeting', 'found', 'done', 'stands', 'asked'],
            array_column($written->shown(), 'key'),
            'what is empty or left out does not stand on it',
        );
        self::assertSame(
            array_column($paper->blocks, 'key'),
            array_column($written->blocks, 'key'),
            'and can be taken back in',
        );
        foreach ([[['course' => 'x'], []], [['nothing' => 'x'], []], [[], ['nothing']]] as [$texts, $leftOut]) {
            try {
                $paper->written('', $texts, $leftOut);
                self::fail('a block that is no text of the paper was written');
            } catch (InvalidInput $refused) {
                self::assertStringContainsString('reload the page', $refused->faults[0]->message);
            }
        }
    }

    public function testTheCourseHoldsEveryAnswerAndTheMeanOfEachWeek(): void
    {
        $course = CaseCourse::fromEvaluation(self::caseWith()->at(20));
        self::assertCount(20, $course->scores);
        self::assertSame(
            ['2026-03-07', '2026-03-14', '2026-03-20'],
            array_map(static fn(array $row): string => $row['on']->toIso(), $course->means),
        );
        // The last of them looks back at seven days, whole week or not.
        self::assertEquals([4, 2, 2], array_column($course->means, 'mean'));
        self::assertCount(8, $course->sessions);
        self::assertSame(5, $course->limit);
    }

    public function testTheTestSheetTellsEverySideAndChange(): void
    {
        $paper = PaperDraft::draft(
            PaperKind::Tests,
            self::facts(
                self::caseWith()->at(20),
                measures: [self::strength(['2026-03-02' => [300, 400], '2026-03-16' => [360, 400]])],
            ),
        );
        $table = array_column($paper->blocks, null, 'key')['measure_knee_extension_strength'];
        self::assertSame(['Day', 'Sore side, N', 'Other side, N', 'Symmetry', 'Since the first'], $table->columns);
        self::assertSame(
            [['Mon 2 Mar 2026', '300', '400', '75 %', '–'], ['Mon 16 Mar 2026', '360', '400', '90 %', '+60']],
            $table->rows,
        );
        self::assertStringContainsString(
            'better, by more than the noise of the measure',
            self::textOf($paper, 'words_knee_extension_strength'),
        );
    }

    public function testTheSheetTellsDosesLimitsAndStops(): void
    {
        $paper = PaperDraft::draft(PaperKind::Sheet, self::facts(self::evaluation(7, 30)));
        $exercises = array_merge(
            ...array_column(
                array_filter($paper->blocks, static fn(Block $block): bool => $block->kind === BlockKind::Exercises),
                'rows',
            ),
        );
        self::assertNotSame([], $exercises);
        foreach ($exercises as [$title, $dose, , , , $limit]) {
            self::assertNotSame('', $title);
            self::assertMatchesRegularExpression('/\d+ × \d+/', $dose);
            self::assertMatchesRegularExpression('/^up to \d+ of 10$/', $limit);
        }
        $all = implode(' ', array_column($paper->shown(), 'text'));
        self::assertStringContainsString('A sudden pop or loss of function', $all);
        self::assertStringContainsString('Aching in the night after loading is no stop', $all);
        self::assertStringNotContainsStringIgnoringCase('push through', $all);
        self::assertStringContainsString('+351 210 000 000', $all);
    }

    private static function caseWith(): CaseBuilder
    {
        $case = CaseBuilder::case()->mornings(1, 7, 4)->mornings(8, 20, 2);
        foreach ([2, 4, 6, 9, 11, 13, 15, 17] as $day) {
            $case = $case->session($day, 2);
        }

        return $case;
    }

    private static function evaluation(int $seed, int $days): Evaluation
    {
        return Evaluator::evaluate(Support::played($seed, $days)->file, Moment::fromIso(Support::NOW));
    }

    /** @param array<string, array{int, int}> $values by day: sore side, other side, newtons */
    private static function strength(array $values): MeasureCourse
    {
        $measure = Support::catalogue()->measures['knee_extension_strength'] ?? null;
        self::assertInstanceOf(Measure::class, $measure);

        return MeasureCourse::build(
            $measure,
            array_map(
                static fn(string $on, array $taken): Taken => Taken::ofTest(
                    new StrengthTest('knee_extension_strength', Day::fromIso($on), $taken[0], $taken[1], 'N'),
                ),
                array_keys($values),
                array_values($values),
            ),
            false,
            64,
        );
    }

    /**
     * @param list<array{on: Day, title: string}> $coming
     * @param list<ExpectedSport> $sport
     * @param list<Day> $events
     * @param list<MeasureCourse> $measures
     */
    private static function facts(
        Evaluation $evaluation,
        array $coming = [],
        array $sport = [],
        array $events = [],
        array $measures = [],
    ): PaperFacts {
        $programme = Support::catalogue()->programme('knee_four_stage');

        return new PaperFacts(
            evaluation: $evaluation,
            plan: $programme->plan,
            catalogue: Support::catalogue(),
            programme: $programme,
            letterhead: new Letterhead(
                'Ropewalk Circus School',
                'Old Mill Lane 4',
                '+351 210 000 000',
                'Monday to Friday',
            ),
            practitioner: 'Ola Vance',
            athlete: 'Nadia Flint',
            bornOn: Day::fromIso('1998-05-04'),
            structureTitle: 'Kneecap tendon',
            side: 'left',
            openedOn: $evaluation->log->stageHistory[0]->from,
            closedOn: null,
            morningTest: 'single-leg decline squat',
            beganOn: Day::fromIso('2026-01-12'),
            loadChange: 'twice as many landings',
            aggravating: 'stairs',
            advice: ['Half the landings'],
            coming: $coming,
            sport: $sport,
            events: $events,
            measures: $measures,
            decisions: [
                ['on' => Day::fromIso('2026-03-05'), 'by' => 'Ola Vance', 'words' => 'Repeat', 'reason' => null],
            ],
        );
    }

    private static function textOf(Paper $paper, string $key): string
    {
        return array_column($paper->blocks, null, 'key')[$key]->text;
    }
}
