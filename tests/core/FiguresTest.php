<?php

declare(strict_types=1);

namespace Tests\Core;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Dose\Range;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Figure\Body;
use Rung\Core\Figure\Figure;
use Rung\Core\Figure\FigureBook;
use Rung\Core\Figure\FigureCheck;
use Rung\Core\Figure\FigureFolder;
use Rung\Core\Figure\Limb;
use Rung\Core\Figure\Posed;
use Rung\Core\Input\InvalidInput;

/** The figures of the catalogue: one for every exercise, on a body that could do it, showing what the exercise says. */
final class FiguresTest extends TestCase
{
    private static ?FigureBook $book = null;

    private static function book(): FigureBook
    {
        return self::$book ??= FigureFolder::read(FigureFolder::own());
    }

    private static function figure(string $exercise): Figure
    {
        return self::book()->find($exercise) ?? throw new \OutOfBoundsException($exercise);
    }

    public function testEveryDocumentHasItsForm(): void
    {
        $schema = (string) file_get_contents(__DIR__ . '/../../catalogue/schema/figures.schema.json');
        foreach (FigureFolder::paths(FigureFolder::own()) as $path) {
            $document = json_decode((string) file_get_contents($path));
            self::assertTrue((new Validator())->validate($document, $schema)->isValid(), $path);
        }
        self::assertFalse(
            (new Validator())
                ->validate(
                    json_decode(
                        '{"figures": [{"exercise": "squat", "view": "side", "poses": [{"level": 0}, {"level": 2}]}]}',
                    ),
                    $schema,
                )
                ->isValid(),
        );
    }

    public function testEveryExerciseIsDrawnAndNothingElse(): void
    {
        self::assertEqualsCanonicalizing(
            array_keys(Support::catalogue()->exercises),
            array_keys(self::book()->figures),
        );
        self::assertSame(
            self::figure('squat'),
            self::book()->find('our_squat'),
            "a practice's own is drawn as the one that it was copied from",
        );
        self::assertNull(self::book()->find('our_own_idea'));
    }

    /** @return iterable<string, array{Exercise}> */
    public static function exercises(): iterable
    {
        foreach (Support::catalogue()->exercises as $key => $exercise) {
            yield $key => [$exercise];
        }
    }

    #[DataProvider('exercises')]
    public function testItIsDrawnAsItIsDone(Exercise $exercise): void
    {
        self::assertSame(
            [],
            iterator_to_array((new FigureCheck())->figure(self::figure($exercise->key), $exercise), false),
        );
    }

    public function testNeighboursOnALadderLookDifferentInWhatChanges(): void
    {
        $catalogue = Support::catalogue();
        foreach ($catalogue->ladders as $ladder) {
            self::assertSame(
                [],
                iterator_to_array((new FigureCheck())->ladder($ladder, self::book(), $catalogue->exercises), false),
            );
        }
    }

    /** Bones do not grow: between any two joints it is as far in every frame of every figure. */
    #[DataProvider('exercises')]
    public function testBonesKeepTheirLength(Exercise $exercise): void
    {
        $figure = self::figure($exercise->key);
        foreach ([0, 0.21, 0.5, 0.83, 1] as $level) {
            foreach ([false, true] as $lifting) {
                $body = $figure->at($level, $lifting);
                foreach (Limb::cases() as $limb) {
                    foreach (
                        [
                            ['hip', 'knee', Body::THIGH],
                            ['knee', 'ankle', Body::SHANK],
                            ['shoulder', 'elbow', Body::UPPER_ARM],
                            ['elbow', 'wrist', Body::FOREARM],
                            ['wrist', 'knuckle', Body::PALM],
                        ]
                        as [$from, $to, $long]
                    ) {
                        self::assertEqualsWithDelta(
                            $long,
                            self::apart($body, "$from.$limb->value", "$to.$limb->value"),
                            0.01,
                            "$from to $to at $level",
                        );
                    }
                    self::assertEqualsWithDelta(
                        sqrt((Body::HEEL[0] - Body::BALL[0]) ** 2 + (Body::HEEL[1] - Body::BALL[1]) ** 2),
                        self::apart($body, "heel.$limb->value", "ball.$limb->value"),
                        0.01,
                    );
                }
                self::assertEqualsWithDelta(2 * Body::HIP_OUT, self::apart($body, 'hip.work', 'hip.other'), 0.01);
            }
        }
    }

    /** The tests of the browser draw what the core sends: the same points in the same order. */
    public function testTheBrowserIsTestedWithWhatIsSent(): void
    {
        $kept = json_decode((string) file_get_contents(__DIR__ . '/../web/figures.json'), true);
        self::assertIsArray($kept);
        self::assertSame(Body::points(), $kept['points']);
        self::assertIsArray($kept['figures']);
        foreach ($kept['figures'] as $key => $figure) {
            $drawn = json_decode(
                json_encode(
                    self::figure((string) $key)->drawn(Support::catalogue()->exercise((string) $key)),
                    JSON_THROW_ON_ERROR,
                ),
                true,
            );
            self::assertSame(
                $drawn,
                $figure,
                "$key is drawn otherwise now; write tests/web/figures.json again by: php tests/web/figures.php",
            );
        }
    }

    /** What is sent holds all that its own description says: as many numbers in each frame as there are points. */
    #[DataProvider('exercises')]
    public function testWhatIsDrawnIsWhole(Exercise $exercise): void
    {
        $figure = self::figure($exercise->key);
        $drawn = $figure->drawn($exercise);
        self::assertIsArray($drawn['frames']);
        self::assertIsArray($drawn['tissue']);
        self::assertIsArray($drawn['props']);
        $fastened = 0;
        foreach ($drawn['props'] as $prop) {
            self::assertIsArray($prop);
            self::assertIsArray($prop['at']);
            $fastened += count(array_keys($prop['at'], 'fastened', true));
        }
        $points =
            count(Body::points()) +
            array_sum(array_column($drawn['tissue'], 'points')) +
            $fastened +
            ($figure->angle === null ? 0 : 3);
        $frames = [...$drawn['frames'], ...is_array($drawn['lift']) ? $drawn['lift'] : []];
        self::assertCount(($figure->round === null ? Figure::STEPS : Figure::STEPS_OF_A_ROUND) + 1, $drawn['frames']);
        foreach ($frames as $frame) {
            self::assertIsArray($frame);
            self::assertCount(3 * $points, $frame);
            foreach ($frame as $number) {
                self::assertIsInt($number);
                self::assertLessThan(3000, abs($number), 'tenths of a percent: nothing is three bodies away');
            }
        }
        if ($figure->round !== null) {
            self::assertSame(
                $drawn['frames'][0],
                $drawn['frames'][Figure::STEPS_OF_A_ROUND],
                'a round ends where it began',
            );
        }
    }

    public function testTheRangeOfThePrescriptionIsTheRangeThatIsDrawn(): void
    {
        foreach (
            ['squat', 'step_down', 'split_squat', 'leg_press_one', 'leg_extension_one', 'hinge_deep', 'forward_lunge']
            as $key
        ) {
            $exercise = Support::catalogue()->exercise($key);
            foreach ([[10, 45], [20, 60], [15, 50]] as [$from, $to]) {
                $angle = self::figure($key)->drawn($exercise, new Range($from, $to))['angle'];
                self::assertIsArray($angle);
                self::assertEqualsCanonicalizing(
                    [(float) $from, (float) $to],
                    [$angle['low_deg'], $angle['high_deg']],
                    $key,
                );
            }
        }
    }

    public function testARangeBeyondTheFigureGoesAsFarAsItIsDrawn(): void
    {
        $whole = self::figure('squat')->drawn(Support::catalogue()->exercise('squat'));
        self::assertSame(
            $whole['frames'],
            self::figure('squat')->drawn(Support::catalogue()->exercise('squat'), new Range(0, 140))['frames'],
        );
        self::assertNotSame(
            $whole['frames'],
            self::figure('squat')->drawn(Support::catalogue()->exercise('squat'), new Range(10, 60))['frames'],
        );
    }

    public function testComingUpOnBothLegsAndLoweringOnOneAreTwoWays(): void
    {
        foreach (['decline_eccentric', 'heel_lowering_straight'] as $key) {
            $figure = self::figure($key);
            [$down, $up] = [$figure->at(0.5), $figure->at(0.5, true)];
            self::assertGreaterThan(
                4,
                $down->place('ball.other')->y - $up->place('ball.other')->y,
                "$key: the other foot is in the air on the way down, and stands on the way up",
            );
            self::assertLessThan(1, self::apartFrom($up, $down, 'ball.work'), "$key: the working foot stays");
        }
    }

    public function testTheLoadedTissueLiesOnTheLimbThatWorks(): void
    {
        $drawn = static fn(string $key): array => self::figure($key)->drawn(Support::catalogue()->exercise($key));
        self::assertSame([['muscle', 'work'], ['tendon', 'work']], self::tissue($drawn('decline_eccentric'), 2));
        self::assertContains(['muscle', 'other'], self::tissue($drawn('wall_sit'), 99), 'both legs work');
        self::assertSame([], $drawn('hip_bridge')['tissue'], 'what is loaded slightly is not shown as the target');
        foreach (self::exercises() as $key => [$exercise]) {
            $isLoaded =
                in_array(Directness::Target, $exercise->structures, true) ||
                in_array(Directness::Shared, $exercise->structures, true);
            self::assertSame($isLoaded, self::tissue($drawn($key), 99) !== [], $key);
        }
    }

    /** @return iterable<string, array{string, string}> a figure, and what is said of it */
    public static function wrong(): iterable
    {
        $knee = '"angle": {"joint": "knee", "low": 90, "high": 10}';
        yield 'a knee that bends too far' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "poses": [{"level": 0, "like": "standing", "shin": 40, "knee": 165, "lean": 40}, {"level": 1, "shin": 2, "knee": 10}]}',
            'the knee joint of the work side stands at 165°',
        ];
        yield 'a back that twists too far' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "poses": [{"level": 0, "like": "standing", "twist": 80}, {"level": 1}]}',
            'twist is 80°, and goes from -60 to 60°',
        ];
        yield 'a forearm that turns too far' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "poses": [{"level": 0, "like": "standing", "palm.work": -120}, {"level": 1}]}',
            'palm.work is -120°',
        ];
        yield 'a hand that cannot get there' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "poses": [{"level": 0, "like": "standing", "reach": {"hand.work": {"at": [80, 80, 10]}}}, {"level": 1}]}',
            'the hand.work misses its place',
        ];
        yield 'a foot in the floor' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "poses": [{"level": 0, "like": "sitting", "at": [0, 20, 0]}, {"level": 1}]}',
            'under the floor',
        ];
        yield 'a planted foot that slides' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "still": ["heel.work"], "poses": [{"level": 0, "like": "standing"}, {"level": 1, "at": [3, 0, 5.2]}]}',
            'the heel.work should stay and moves by',
        ];
        yield 'no angle where one is named' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "poses": [{"level": 0, "like": "standing", "shin": 30, "knee": 90, "lean": 40}, {"level": 1, "shin": 2, "knee": 10}]}',
            'the range names 90°, and the figure shows no angle',
        ];
        yield 'another angle than it says' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], ' .
            $knee .
            ', "poses": [{"level": 0, "like": "standing", "shin": 25, "knee": 70, "lean": 30}, {"level": 1, "shin": 2, "knee": 10}]}',
            'the lowered end is drawn with the knee at 70°, and says 90°',
        ];
        yield 'another angle than is named' => [
            '{"exercise": "wall_sit", "view": "side", "angle": {"joint": "knee", "low": 14, "high": 60}, "poses": [{"level": 0, "like": "standing", "shin": -23, "knee": 14}, {"level": 1, "shin": -8, "knee": 60}]}',
            'the range names 90°, and the figure goes from 14 to 60°',
        ];
        yield 'lowering that lifts' => [
            '{"exercise": "squat", "view": "side", "load": ["body"], "angle": {"joint": "knee", "low": 10, "high": 90}, "poses": [{"level": 0, "like": "standing", "shin": 2, "knee": 10}, {"level": 1, "shin": 30, "knee": 90, "lean": 40}]}',
            'the lifted end does not lift body',
        ];
        yield 'a lift that lifts nothing' => [
            '{"exercise": "squat", "view": "side", ' .
            $knee .
            ', "poses": [{"level": 0, "like": "standing", "shin": 30, "knee": 90, "lean": 40}, {"level": 1, "shin": 2, "knee": 10, "lean": 0}]}',
            'it lifts and lowers, and does not say what',
        ];
        yield 'a landing that is not the named one' => [
            '{"exercise": "squat_jump", "view": "side", "round_s": 2, "poses": [{"level": 0, "like": "standing", "shin": 10, "knee": 20}, {"level": 0.5, "at": [0, 10, 5.2]}]}',
            'the range names 60°, and the knee is at no pose near it',
        ];
    }

    #[DataProvider('wrong')]
    public function testAFigureThatIsWrongIsFound(string $json, string $says): void
    {
        $figure = self::read($json);
        $faults = iterator_to_array(
            (new FigureCheck())->figure($figure, Support::catalogue()->exercise($figure->exercise)),
            false,
        );
        self::assertStringContainsString($says, implode("\n", $faults));
    }

    public function testNeighboursThatLookAlikeAreFound(): void
    {
        $catalogue = Support::catalogue();
        $ladder = $catalogue->ladderOf('leg_press_one') ?? self::fail('on no ladder');
        [$easier, $harder] = $ladder->exercises();
        $same = static fn(string $exercise): string => '{"exercise": "' .
            $exercise .
            '", "view": "side", "poses": [{"level": 0, "like": "standing"}, {"level": 1, "lean": 10}]}';
        $book = FigureBook::fromDocuments(self::postures(), [
            '{"figures": [' . $same($easier) . ', ' . $same($harder) . ']}',
        ]);
        self::assertStringContainsString(
            "\"$harder\" looks like \"$easier\"",
            implode("\n", iterator_to_array((new FigureCheck())->ladder($ladder, $book, $catalogue->exercises), false)),
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function unreadable(): iterable
    {
        yield 'a posture that is not there' => [
            '{"exercise": "x", "view": "side", "poses": [{"level": 0, "like": "flying"}]}',
            'names "flying", which is no posture',
        ];
        yield 'a prop that cannot be drawn' => [
            '{"exercise": "x", "view": "side", "poses": [{"level": 0}], "props": [{"kind": "sofa", "at": [[0, 0, 0]]}]}',
            'is no prop that can be drawn',
        ];
        yield 'a prop on no part of the body' => [
            '{"exercise": "x", "view": "side", "poses": [{"level": 0}], "props": [{"kind": "band", "at": [["tail", 0, 0, 0]]}]}',
            'must be a point of the body, three numbers, or a part of the body',
        ];
        yield 'a prop that is nowhere' => [
            '{"exercise": "x", "view": "side", "poses": [{"level": 0}], "props": [{"kind": "band", "at": []}]}',
            'must hold at least one place',
        ];
        yield 'a place with two numbers' => [
            '{"exercise": "x", "view": "side", "poses": [{"level": 0, "at": [1, 2]}]}',
            'must hold three numbers',
        ];
        yield 'an angle of no joint' => [
            '{"exercise": "x", "view": "side", "poses": [{"level": 0}], "angle": {"joint": "tail", "low": 0, "high": 1}}',
            'must be one of knee, hip, elbow, arm, palm',
        ];
    }

    #[DataProvider('unreadable')]
    public function testWhatCannotBeReadSaysWhy(string $json, string $says): void
    {
        try {
            self::read($json);
            self::fail('it was read');
        } catch (InvalidInput $refusal) {
            self::assertStringContainsString($says, implode("\n", array_column($refusal->faults, 'message')));
        }
    }

    private static function read(string $figure): Figure
    {
        return array_values(FigureBook::fromDocuments(self::postures(), ["{\"figures\": [$figure]}"])->figures)[0];
    }

    private static function postures(): string
    {
        return (string) file_get_contents(FigureFolder::own() . '/postures.json');
    }

    /**
     * @param array<string, mixed> $drawn
     *
     * @return list<array{mixed, mixed}>
     */
    private static function tissue(array $drawn, int $first): array
    {
        $tissue = [];
        foreach (is_array($drawn['tissue']) ? array_slice($drawn['tissue'], 0, $first) : [] as $piece) {
            self::assertIsArray($piece);
            $tissue[] = [$piece['kind'], $piece['limb']];
        }

        return $tissue;
    }

    private static function apart(Posed $body, string $from, string $to): float
    {
        return $body->place($from)->to($body->place($to));
    }

    private static function apartFrom(Posed $posed, Posed $other, string $point): float
    {
        return $posed->place($point)->to($other->place($point));
    }
}
