<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\SetLog;
use Rung\Core\Record\SideSet;

/** What a device wrote down of an exercise is read set by set (docs/formats/set-log.md). */
final class SetLogTest extends TestCase
{
    public function testSetsAreReadFromJsonAndFromATableAlike(): void
    {
        $wanted = [
            new LoggedSet(12, null, null, 40),
            new LoggedSet(11, null, null, 40),
            new LoggedSet(9, null, null, 37.5),
        ];
        $json = SetLog::read(
            '{"format":"rung-sets/1","device":"Simulated rep counter","sets":[{"set":1,"reps":12,"load_kg":40},{"set":2,"reps":11,"load_kg":40},{"set":3,"reps":9,"load_kg":37.5}]}',
        );
        self::assertSame('Simulated rep counter', $json->device);
        self::assertEquals($wanted, $json->sets);
        self::assertEquals(
            $wanted,
            SetLog::read("Set;Reps;Load_kg;Battery\n1;12;40;88\n2;11;40;88\n3;9;37,5;87\n")->sets,
        );
        self::assertEquals(
            [new LoggedSet(null, 45, null, null), new LoggedSet(null, 38.5)],
            SetLog::read("hold_s\n45\n38.5\n")->sets,
        );
    }

    public function testWhatTheTwoLimbsDidOfASetIsOneSet(): void
    {
        $log = SetLog::read(
            "set,side,reps,load_kg\n1,left,12,20\n1,right,15,\n2,right,14,20\n2,left,10,20\n3,left,8,20\n",
        );
        self::assertEquals(
            [
                new LoggedSet(load_kg: 20, left: new SideSet(12), right: new SideSet(15)),
                new LoggedSet(load_kg: 20, left: new SideSet(10), right: new SideSet(14)),
                new LoggedSet(load_kg: 20, left: new SideSet(8)),
            ],
            $log->sets,
        );
        // Without a number nobody knows which belong together.
        self::assertCount(2, SetLog::read("side,reps\nleft,12\nright,15\n")->sets);
        self::assertCount(
            2,
            SetLog::read("set,side,reps\n1,left,12\n1,left,15\n")->sets,
            'the same limb twice is two sets',
        );
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function wrong(): iterable
    {
        yield 'another format' => ['{"format":"other","sets":[{"reps":3}]}', '/format', 'must be "rung-sets/1"'];
        yield 'no sets' => ['{"format":"rung-sets/1","sets":[]}', '/sets', '1 to 20 sets'];
        yield 'too many' => [
            '{"format":"rung-sets/1","sets":[' . implode(',', array_fill(0, 21, '{"reps":3}')) . ']}',
            '/sets',
            '1 to 20 sets',
        ];
        yield 'nothing done' => [
            '{"format":"rung-sets/1","sets":[{"load_kg":3}]}',
            '/sets/0/reps',
            'hold_s, or work_s',
        ];
        yield 'more than anybody does' => [
            '{"format":"rung-sets/1","sets":[{"reps":999}]}',
            '/sets/0/reps',
            'from 0 to 200',
        ];
        yield 'no such side' => [
            '{"format":"rung-sets/1","sets":[{"reps":3,"side":"both"}]}',
            '/sets/0/side',
            '"left" or "right"',
        ];
        yield 'no column of use' => ["speed,power\n1,2\n", '/text', 'a column reps, hold_s or work_s'];
        yield 'a table with a slip' => ["set,reps\n1,12\n\n2,many\n", '/text', 'has in line 4, column reps'];
        yield 'nothing' => ['', '/text', 'must hold a line'];
    }

    #[DataProvider('wrong')]
    public function testWhatIsWrongIsShownAtItsPlace(string $text, string $path, string $words): void
    {
        try {
            SetLog::read($text);
            self::fail('it was taken');
        } catch (InvalidInput $refused) {
            self::assertSame($path, $refused->faults[0]->path);
            self::assertStringContainsString($words, $refused->faults[0]->message);
        }
    }
}
