<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Evaluation\SecondOpinions;
use Rung\Core\Time\Moment;
use Rung\Core\Words\OpinionWords;

/** What is said of the schools' agreement is what they say. */
final class OpinionWordsTest extends TestCase
{
    /** @return iterable<string, array{CaseBuilder, int, string}> */
    public static function cases(): iterable
    {
        yield 'nothing logged' => [CaseBuilder::case(), 3, '/^No session has been judged yet: the case is too young/'];
        yield 'a stop' => [CaseBuilder::case()->mornings(4, 8, 1)->session(8, 9), 9, '/\d stop/'];
        yield 'all settle' => [
            CaseBuilder::case()->mornings(4, 8, 0)->session(8, 0)->mornings(9, 10, 0)->session(10, 0)->morning(11, 0),
            11,
            '/^They (judge every session of this log alike|part on)/',
        ];
        yield 'a rise that some schools accept' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8, 4)->mornings(9, 10, 3),
            10,
            '/^They differ on (one session|\d+ sessions)/',
        ];
    }

    #[DataProvider('cases')]
    public function testTheSentenceFitsTheOpinions(CaseBuilder $case, int $day, string $expected): void
    {
        $opinions = self::opinions($case->file(), $day);
        $words = OpinionWords::agreement($opinions);
        self::assertMatchesRegularExpression($expected, $words);
        // Never alike where they are not.
        $fields = $opinions->toArray();
        $actions = array_unique(array_column($fields['schools'], 'action'));
        self::assertSame($fields['parts'] !== [], str_starts_with($words, 'They differ on'), $words);
        if (count($actions) > 1) {
            self::assertStringNotContainsString('the same', $words);
            self::assertSame(
                count($fields['schools']),
                array_sum(
                    array_map(intval(...), (array) preg_split('/\D+/', substr($words, (int) strrpos($words, ':')))),
                ),
                'every school is counted once',
            );
        }
    }

    private static function opinions(CaseFile $file, int $day): SecondOpinions
    {
        return SecondOpinions::compare(
            $file,
            Moment::fromIso(CaseBuilder::moment($day, '12:00')),
            Support::catalogue()->schools,
        );
    }
}
