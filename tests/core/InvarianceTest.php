<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Attention\AttentionGroup;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Record\Entry;
use Rung\Core\Record\Session;
use Rung\Core\Response\Verdict;
use Rung\Core\Time\Moment;

/** What may be changed about a case without changing what is said of it, and what only ever makes it worse. */
final class InvarianceTest extends TestCase
{
    private const CASES = 80;

    /** Two thousand and some days hold leap days, ends of months and of years. */
    private const DAYS_LATER = [1, 7, 59, 365, 2191];

    public function testTheSameCaseOnOtherDaysIsJudgedTheSame(): void
    {
        foreach (range(1, self::CASES) as $seed) {
            $json = self::inUtc(RandomCase::withSeed($seed));
            $days = self::DAYS_LATER[$seed % count(self::DAYS_LATER)];
            self::assertSame(
                self::later(self::evaluated($json, Support::NOW), $days),
                self::evaluated(self::later($json, $days), self::later(Support::NOW, $days)),
                "seed $seed, $days days later",
            );
        }
    }

    public function testNamesMeanNothingToTheRules(): void
    {
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $names = [];
            foreach ([...$file->sessions, ...$file->check_ins, ...$file->planned] as $record) {
                $names["\"$record->id\""] = '"x' . count($names) . '-' . strrev($record->id) . '"';
            }
            $json = self::inUtc($file);
            self::assertSame(
                strtr(self::evaluated($json, Support::NOW), $names),
                self::evaluated(strtr($json, $names), Support::NOW),
                "seed $seed",
            );
        }
    }

    public function testTheWeeksLoadIsTheSumOfWhatWasLogged(): void
    {
        $seen = 0;
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $evaluated = Evaluator::evaluate($file, Moment::fromIso(Support::NOW))->toArray();
            self::assertIsArray($evaluated['week']);
            self::assertIsArray($evaluated['week']['this']);
            $expected = self::summed($file);
            $seen +=
                $expected['volume_load_kg'] > 0 || $expected['isometric_s'] > 0 || $expected['contacts'] > 0 ? 1 : 0;
            foreach ($expected as $what => $amount) {
                self::assertEqualsWithDelta(
                    $amount,
                    $evaluated['week']['this'][$what] ?? null,
                    0.051,
                    "seed $seed, $what",
                );
            }
        }
        self::assertGreaterThan(self::CASES / 2, $seen);
    }

    public function testMorePainDuringNeverGivesAMilderVerdict(): void
    {
        $worse = 0;
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $sorer = $file->with(['sessions' => array_map(self::sorer(...), $file->sessions)]);
            $verdicts = static fn(CaseFile $file): array => array_column(
                Evaluator::evaluate($file, Moment::fromIso(Support::NOW))->sessions,
                'verdict',
            );
            foreach (array_map(null, $verdicts($file), $verdicts($sorer)) as [$before, $after]) {
                self::assertInstanceOf(Verdict::class, $before);
                self::assertInstanceOf(Verdict::class, $after);
                self::assertLessThanOrEqual(
                    self::place($before),
                    self::place($after),
                    "seed $seed: {$before->value} became {$after->value}",
                );
                $worse += $before === $after ? 0 : 1;
            }
        }
        self::assertGreaterThan(self::CASES / 4, $worse);
    }

    public function testTheGroupNeverHidesWhatIsMoreUrgent(): void
    {
        $seen = [];
        foreach (range(1, self::CASES) as $seed) {
            $evaluation = Evaluator::evaluate(RandomCase::withSeed($seed), Moment::fromIso(Support::NOW));
            $group = $evaluation->attention->group;
            $seen[$group->value] = true;
            $calls = self::calledForBy($evaluation);
            $place = static fn(AttentionGroup $group): int => (int) array_search($group, AttentionGroup::cases(), true);
            self::assertLessThanOrEqual(
                $place($calls),
                $place($group),
                "seed $seed: {$evaluation->action->kind->value} stands under {$group->value}",
            );
            // Nobody is asked to raise a load while a stop waits for its review.
            if ($group === AttentionGroup::ReadyProgress || $group === AttentionGroup::ReadyStage) {
                self::assertSame(
                    [],
                    array_filter($evaluation->stops, static fn($stop): bool => !$stop->isCleared()),
                    "seed $seed",
                );
            }
        }
        self::assertGreaterThanOrEqual(5, count($seen), 'the cases must come to most of the groups');
    }

    private static function calledForBy(Evaluation $evaluation): AttentionGroup
    {
        return match ($evaluation->action->kind) {
            ActionKind::Stop => AttentionGroup::StopReview,
            ActionKind::Ease => AttentionGroup::Over,
            ActionKind::Advance, ActionKind::Finish => AttentionGroup::ReadyStage,
            ActionKind::Progress, ActionKind::AddLoad => AttentionGroup::ReadyProgress,
            default => AttentionGroup::OnCourse,
        };
    }

    private static function sorer(Session $session): Session
    {
        return new Session(
            $session->id,
            $session->stage,
            $session->kind,
            $session->started_at,
            $session->ended_at,
            array_map(
                static fn(Entry $entry): Entry => new Entry(
                    $entry->prescription,
                    $entry->sets,
                    $entry->pain === null ? null : min(10, $entry->pain + 2),
                    $entry->before,
                    $entry->after,
                ),
                $session->entries,
            ),
            $session->planned,
            $session->participation,
            $session->minutes,
            $session->effort,
            $session->settled_min,
            $session->signs,
        );
    }

    /**
     * The last seven days, added up from the file itself.
     *
     * @return array{isometric_s: float, moving_s: float, volume_load_kg: float, contacts: float, sessions: int}
     */
    private static function summed(CaseFile $file): array
    {
        $sum = ['isometric_s' => 0.0, 'moving_s' => 0.0, 'volume_load_kg' => 0.0, 'contacts' => 0.0, 'sessions' => 0];
        $now = Moment::fromIso(Support::NOW);
        $first = $file->timezone->dayOf($now)->plus(-6);
        $prescriptions = $file->prescriptions();
        foreach ($file->sessions as $session) {
            if ($session->ended_at->after($now) || $first->isAfter($file->timezone->dayOf($session->started_at))) {
                continue;
            }
            $sum['sessions']++;
            foreach ($session->entries as $entry) {
                foreach ($entry->prescription === null ? [] : $entry->sets as $set) {
                    $asked = $prescriptions[$entry->prescription];
                    $reps = $set->reps ?? ($asked->mode->value === 'isometric' ? 1 : 0);
                    $body = ($asked->dose->body_fraction ?? 0) * ($file->athlete->body_mass_kg ?? 0);
                    $tempo = $asked->dose->tempo;
                    match ($asked->mode->value) {
                        'isometric' => ($sum['isometric_s'] += $reps * ($set->hold_s ?? 0)),
                        'plyometric' => ($sum['contacts'] += $reps * ($asked->dose->contacts_per_rep ?? 1)),
                        'isotonic', 'eccentric' => [
                            ($sum['volume_load_kg'] += $reps * (($set->load_kg ?? 0) + $body)),
                            ($sum['moving_s'] +=
                                $tempo === null
                                    ? 0
                                    : $reps * ($tempo->lift_s + $tempo->top_s + $tempo->lower_s + $tempo->bottom_s)),
                        ],
                        default => null,
                    };
                }
            }
        }

        return $sum;
    }

    private static function inUtc(CaseFile $file): string
    {
        return (string) json_encode(['timezone' => 'UTC'] + $file->toArray());
    }

    private static function evaluated(string $json, string $now): string
    {
        return (string) json_encode(Evaluator::evaluate(CaseFile::fromJson($json), Moment::fromIso($now))->toArray());
    }

    /** Every date in a text so many days later. */
    private static function later(string $text, int $days): string
    {
        return (string) preg_replace_callback(
            '/\b\d{4}-\d\d-\d\d(?=T|\b)/',
            static fn(array $date): string => (new \DateTimeImmutable($date[0]))
                ->modify("+$days days")
                ->format('Y-m-d'),
            $text,
        );
    }

    /** Where a verdict stands in the table, worst first. */
    private static function place(Verdict $verdict): int
    {
        return (int) array_search($verdict, Verdict::cases(), true);
    }
}
