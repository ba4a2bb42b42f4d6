<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Acceptance\Relief;
use Rung\Core\Acceptance\UsualLoad;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Record;
use Rung\Core\Record\Side;
use Rung\Core\Record\SideSet;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\TodayWords;

/** What a session says about each limb and each set, what may help at once where it hurts, and what is asked about when typed. */
final class SessionSidesTest extends TestCase
{
    public function testTheAffectedLimbIsWhatCountsOfASetOfBothSides(): void
    {
        $set = new LoggedSet(load_kg: 20, left: new SideSet(reps: 3), right: new SideSet(reps: 15));
        self::assertSame(
            [3, 15, 3],
            array_map(static fn(Side $side): ?int => $set->counted($side)->reps, [Side::Left, Side::Right, Side::Both]),
        );
        self::assertSame(20, $set->counted(Side::Left)->load_kg);
        // A limb that was left out did nothing, whichever it was.
        $half = new LoggedSet(left: new SideSet(reps: 1, hold_s: 30));
        self::assertSame(
            [[1, 30], [0, 0], [0, 0]],
            array_map(static fn(Side $side): array => [$half->counted($side)->reps, $half->counted($side)->hold_s], [
                Side::Left,
                Side::Right,
                Side::Both,
            ]),
        );
        self::assertSame(12, (new LoggedSet(reps: 12))->counted(Side::Left)->reps);
        self::assertSame(
            'left 3, right 15 at 20 kg, pain 4',
            DoseWords::set(new LoggedSet(reps: 3, load_kg: 20, pain: 4, left: $set->left, right: $set->right)),
        );
        self::assertSame('left 30 s, right 0 s', DoseWords::set($half->counted(Side::Left)));
    }

    /** Over many made-up sets: counting twice changes nothing, both is never more than either, and the shares stay. */
    public function testCountingSidesHoldsForEverySet(): void
    {
        $chance = new Randomizer(new Mt19937(41));
        $share = static fn(): ?SideSet => $chance->getInt(0, 4) === 0
            ? null
            : new SideSet(
                $chance->getInt(0, 3) === 0 ? null : $chance->getInt(0, 20),
                $chance->getInt(0, 1) === 0 ? null : $chance->getInt(0, 60),
                $chance->getInt(0, 1) === 0 ? null : $chance->getInt(0, 60),
            );
        for ($i = 0; $i < 500; $i++) {
            $set = new LoggedSet($chance->getInt(0, 20), load_kg: 10, left: $share(), right: $share());
            [$left, $right, $both] = array_map($set->counted(...), [Side::Left, Side::Right, Side::Both]);
            foreach ([$left, $right, $both] as $counted) {
                self::assertSame(
                    [$set->left, $set->right, $set->load_kg],
                    [$counted->left, $counted->right, $counted->load_kg],
                );
            }
            self::assertEquals($both, $both->counted(Side::Both));
            self::assertEquals($left, $left->counted(Side::Left));
            foreach (['reps', 'hold_s', 'work_s'] as $field) {
                self::assertLessThanOrEqual(
                    min($left->$field ?? 0, $right->$field ?? 0),
                    $both->$field ?? 0,
                    json_encode(Record::toArray($set)) ?: '',
                );
            }
        }
    }

    public function testTheWorstSetIsAtLeastThePainOfTheExercise(): void
    {
        $entry = static fn(?int $pain, int ...$sets): ?int => (new Entry(
            'press',
            array_map(static fn(int $set): LoggedSet => new LoggedSet(reps: 8, pain: $set), array_values($sets)),
            $pain,
        ))->counted(Side::Left)->pain;
        self::assertSame([6, 6, 3, null], [$entry(2, 3, 6), $entry(null, 6, 1), $entry(3, 1, 2), $entry(null)]);
    }

    public function testACaseFileOfBothSidesIsJudgedByTheSoreOne(): void
    {
        $case = CaseBuilder::case()
            ->mornings(1, 4, 2)
            ->session(3, 1, ['sets' => [['left' => ['reps' => 3], 'right' => ['reps' => 15]]]]);
        foreach (['left' => 3, 'right' => 15, 'both' => 3] as $side => $reps) {
            $read = $case->with(['case' => ['side' => $side]])->file();
            self::assertSame($reps, $read->sessions[0]->entries[0]->sets[0]->reps);
            // As it is written, it is read again.
            self::assertEquals($read->sessions, CaseFile::fromJson((string) json_encode($read->toArray()))->sessions);
        }
        $text = (string) json_encode($case->file()->toArray());
        [$code, $answer, $said] = Support::rung(
            ['validate', '-'],
            str_replace('"left":{"reps":3}', '"left":{"reps":201}', $text),
        );
        self::assertNotSame(0, $code);
        self::assertStringContainsString(
            '/sessions/0/entries/0/sets/0/left/reps',
            $said . json_encode($answer, JSON_UNESCAPED_SLASHES),
        );
    }

    public function testSidesAreNamedAndTheSoreOneComesFirst(): void
    {
        $words = static fn(Limbs $limbs, Side $side): array => array_column(TodayWords::sides($limbs, $side), 'words');
        self::assertSame(['right, the sore one', 'left'], $words(Limbs::Each, Side::Right));
        self::assertSame(['left, the sore one', 'right'], $words(Limbs::Each, Side::Left));
        self::assertSame(['left', 'right'], $words(Limbs::Each, Side::Both));
        self::assertSame(['right'], $words(Limbs::Affected, Side::Right));
        self::assertSame([], $words(Limbs::Together, Side::Left));
        self::assertSame(['left', 'right'], $words(Limbs::Affected, Side::Both), 'both are sore: each takes its turn');
        self::assertSame(
            [Limbs::Each, Limbs::Each, Limbs::Together],
            [Limbs::Affected->onBothSides(), Limbs::Each->onBothSides(), Limbs::Together->onBothSides()],
        );
    }

    public function testWhatHelpsAtOnceFitsTheExercise(): void
    {
        $catalogue = Support::catalogue();
        $kinds = static fn(Prescription $prescription): array => array_map(
            static fn(Relief $relief): string => $relief->kind->value,
            Relief::forPrescription($prescription, $catalogue),
        );
        $seen = [];
        foreach ($catalogue->programmes as $programme) {
            foreach ($programme->plan->prescriptions() as $prescription) {
                $found = $kinds($prescription);
                self::assertSame('leave_out', $found[count($found) - 1], 'it can always be left');
                self::assertSame($prescription->dose->sets > 1, in_array('fewer_sets', $found, true));
                self::assertSame(
                    $prescription->mode === Mode::Isometric,
                    in_array('less_hard', $found, true),
                    'a hold has no range to shorten',
                );
                self::assertFalse(
                    $prescription->mode->isSpringy() && in_array('shorter_range', $found, true),
                    'nor has a jump',
                );
                array_push($seen, ...$found);
            }
        }
        self::assertContains('shorter_range', $seen);

        $hold = $catalogue->programme('knee_four_stage')->plan->prescriptions()[0];
        self::assertNotContains('easier_rung', $kinds($hold->onLadder(null)));
        $ladder = [$catalogue->exercise('wall_sit')->key, $hold->exercise];
        $relief = Relief::forPrescription($hold->onLadder($ladder), $catalogue);
        self::assertSame(
            [
                'Less hard: only as much as stays within the limit',
                'One set fewer today',
                'Easier: ' . lcfirst($catalogue->exercise('wall_sit')->title),
                'Leave it for today',
            ],
            array_map(TodayWords::relief(...), $relief),
        );
    }

    public function testEverySchoolHasWordsOfItsOwnOverTheLimitAndNoneAsksToPushOn(): void
    {
        $words = array_map(TodayWords::overLimit(...), array_values(Support::catalogue()->schools));
        self::assertCount(count($words), array_unique($words));
        foreach ($words as $word) {
            self::assertDoesNotMatchRegularExpression(
                '/push|through it|keep going|go on anyway|normal to hurt/i',
                $word,
            );
            self::assertMatchesRegularExpression('/easier|less|leave|change/i', $word);
        }
        self::assertStringContainsString('leave it for today', TodayWords::overLimit(null));
    }

    public function testWhatIsFarFromTheUsualIsAskedAboutAndNotRefused(): void
    {
        $press = static fn(?float $kg): Prescription => self::press($kg);
        $bounds = static function (?UsualLoad $usual): array {
            self::assertNotNull($usual);

            return array_values($usual->toArray());
        };
        self::assertEquals([20, 80, 40], $bounds(UsualLoad::forPrescription($press(40), null, 60)));
        self::assertEquals(
            [0, 7, 2],
            $bounds(UsualLoad::forPrescription($press(2), null, 60)),
            'five kilograms more are never asked about',
        );
        self::assertEquals(
            [0, 120, null],
            $bounds(UsualLoad::forPrescription($press(null), null, 60)),
            'before anything was lifted',
        );
        self::assertNull(UsualLoad::forPrescription($press(null), null, null));

        $practice = static fn(int ...$minutes): UsualLoad => UsualLoad::ofPractice(
            array_reduce(
                array_keys($minutes),
                static fn(CaseBuilder $case, int|string $i): CaseBuilder => $case->session(1 + (int) $i, 1, [
                    'kind' => 'sport',
                    'minutes' => $minutes[$i],
                    'effort' => 5,
                    'entries' => [],
                ]),
                CaseBuilder::case()->mornings(1, 12, 2),
            )->at(12)->log,
        );
        self::assertEquals([0, 180, null], $bounds($practice()));
        self::assertEquals([0, 90, 45], $bounds($practice(30, 45, 60)));
        self::assertEquals([0, 40, 10], $bounds($practice(300, 10, 10, 10, 10, 10)), 'of the latest five');
    }

    private static function press(?float $kg): Prescription
    {
        $press = CaseBuilder::case()->mornings(1, 2, 2)->at(3)->log->prescriptions['press'];
        $dose = ['load_kg' => $kg] + $press->dose->toArray();

        return \Rung\Core\Input\Json::read(
            (string) json_encode(
                ['dose' => array_filter($dose, static fn(mixed $value): bool => $value !== null)] + $press->toArray(),
            ),
            Prescription::read(...),
        );
    }
}
