<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Snapshot\CaseSnapshot;
use Rung\Core\Snapshot\DueTest;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Words\ProposalWords;

/** What is kept of how a case stands says the same when it is read again, and holds codes alone. */
final class SnapshotTest extends TestCase
{
    private const WEEKS_LATER = '2026-07-01T12:00:00+01:00';

    /** @var list<array{CaseSnapshot, Evaluation}> */
    private static array $cases = [];

    /** Fields that hold what a practice or the catalogue calls something. */
    private const TITLES = ['title', 'stage_title', 'titles', 'findings'];

    /** @return list<array{CaseSnapshot, Evaluation}> cases of every kind, some with changes to accept */
    private static function cases(): array
    {
        if (self::$cases === []) {
            $plan = Support::catalogue()->programme('knee_four_stage')->plan;
            $files = array_map(RandomCase::withSeed(...), range(1, 150));
            foreach ([['holds', 9], ['holds', 30], ['slow', 20], ['slow', 45], ['springs', 40]] as [$stage, $days]) {
                foreach (range(1, 6) as $seed) {
                    $files[] = Support::played($seed, $days, $stage)->file;
                }
            }
            foreach ($files as $i => $file) {
                // Some are looked at after weeks in which nothing came in.
                $now = $i % 5 === 0 ? self::WEEKS_LATER : Support::NOW;
                $evaluation = Evaluator::evaluate($file, Moment::fromIso($now));
                self::$cases[] = [self::taken($evaluation, $plan), $evaluation];
            }
        }

        return self::$cases;
    }

    /** @param list<Day> $events */
    private static function taken(Evaluation $evaluation, Plan $plan, array $events = []): CaseSnapshot
    {
        $catalogue = Support::catalogue();

        return CaseSnapshot::take($evaluation, Acceptance::accept($plan, $evaluation, $catalogue), $catalogue, $events);
    }

    /** @return list<mixed> every sentence that is made of it */
    private static function sentences(CaseSnapshot $snapshot): array
    {
        return [
            ProposalWords::headline($snapshot->proposed),
            ProposalWords::because($snapshot->grounds),
            ProposalWords::attention($snapshot->attention),
            array_map(static fn(DueTest $test): string => ProposalWords::dueTest($test), $snapshot->testsDue),
        ];
    }

    public function testWhatWasKeptSaysTheSame(): void
    {
        $kinds = $changes = $stopped = $due = 0;
        $actions = [];
        foreach (self::cases() as [$snapshot]) {
            $json = json_encode($snapshot->toArray(), JSON_THROW_ON_ERROR);
            $read = CaseSnapshot::fromJson($json);
            self::assertInstanceOf(CaseSnapshot::class, $read);
            self::assertSame($json, json_encode($read->toArray(), JSON_THROW_ON_ERROR));
            self::assertSame(self::sentences($snapshot), self::sentences($read));
            $actions[$snapshot->proposed->action->kind->value] = true;
            $changes += $snapshot->proposed->notes === [] ? 0 : 1;
            $stopped += $snapshot->isStopped() ? 1 : 0;
            $due += $snapshot->testsDue === [] ? 0 : 1;
            $kinds++;
        }
        // The cases are worth something: every part was there in some of them.
        self::assertSame(180, $kinds);
        self::assertGreaterThan(10, $changes);
        self::assertGreaterThan(5, $stopped);
        self::assertGreaterThan(5, $due);
        self::assertGreaterThanOrEqual(6, count($actions), implode(', ', array_keys($actions)));
    }

    public function testItHoldsNoSentence(): void
    {
        foreach (self::cases() as [$snapshot]) {
            $kept = $snapshot->toArray();
            // What a prescription holds is the practice's own text, and a stage is named by its title.
            $kept['proposed'] = array_diff_key((array) $kept['proposed'], ['notes' => 1, 'stage' => 1]);
            self::assertSame([], self::spaced($kept, ''));
        }
    }

    /** @return list<string> places of texts that are no code, number or date */
    private static function spaced(mixed $value, string $place): array
    {
        if (is_string($value)) {
            return preg_match('/^[\w:.+\/-]*$/D', $value) === 1 ? [] : ["$place: $value"];
        }
        $found = [];
        foreach (is_array($value) ? $value : [] as $name => $part) {
            if (!in_array($name, self::TITLES, true)) {
                array_push($found, ...self::spaced($part, "$place/$name"));
            }
        }

        return $found;
    }

    public function testItAgreesWithTheEvaluationItIsTakenFrom(): void
    {
        foreach (self::cases() as [$snapshot, $evaluation]) {
            self::assertSame($evaluation->isStopped(), $snapshot->isStopped());
            self::assertSame(
                $evaluation->isStopped(),
                $snapshot->proposed->action->kind === ActionKind::Stop,
                'a stop that nobody has reviewed comes before everything',
            );
            self::assertSame(count($evaluation->gate->criteria), count($snapshot->pegs));
            self::assertSame(
                [$evaluation->log->stage->key],
                array_values(
                    array_map(
                        static fn($rung): string => $rung->key,
                        array_filter($snapshot->ladder, static fn($rung): bool => $rung->state->value === 'current'),
                    ),
                ),
            );
            foreach ($snapshot->testsDue as $due) {
                self::assertTrue($due->daysAgo === null || $due->daysAgo >= $due->withinDays, $due->title);
            }
            foreach ($snapshot->responses as $response) {
                self::assertLessThan(CaseSnapshot::DAYS, $snapshot->today->daysSince($response->on));
            }
        }
    }

    public function testTheNextEventIsTheFirstWithinAWeek(): void
    {
        $evaluation = Evaluator::evaluate(RandomCase::withSeed(4), Moment::fromIso(Support::NOW));
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;
        $today = $evaluation->log->today;
        $event = static fn(int ...$days): ?string => self::taken(
            $evaluation,
            $plan,
            array_values(array_map($today->plus(...), $days)),
        )->eventOn?->toIso();

        self::assertSame($today->plus(2)->toIso(), $event(30, 6, 2, -1));
        self::assertSame($today->toIso(), $event(0));
        self::assertSame($today->plus(6)->toIso(), $event(6));
        self::assertNull($event(7, -1));
        self::assertNull($event());
    }

    public function testAnotherFormatIsNoneAndABrokenOneIsRefused(): void
    {
        $evaluation = Evaluator::evaluate(RandomCase::withSeed(4), Moment::fromIso(Support::NOW));
        $kept = self::taken($evaluation, Support::catalogue()->programme('knee_four_stage')->plan)->toArray();
        foreach ([['format' => 'rung-snapshot/0'] + $kept, [], ['format' => null]] as $other) {
            self::assertNull(CaseSnapshot::fromJson(json_encode($other, JSON_THROW_ON_ERROR)));
        }
        self::assertNull(CaseSnapshot::fromJson('{'));
        $this->expectException(InvalidInput::class);
        CaseSnapshot::fromJson(json_encode(['stage' => null] + $kept, JSON_THROW_ON_ERROR));
    }
}
