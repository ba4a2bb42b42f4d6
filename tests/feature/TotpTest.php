<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Totp;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Codes that change with time, against the values that RFC 6238, RFC 4226 and RFC 4648 print. */
final class TotpTest extends TestCase
{
    /** The secret of the RFCs: the digits 1 to 0, twice. */
    private const SECRET = '12345678901234567890';

    /** @return iterable<string, array{int, string}> seconds since 1970, and the code of eight digits (RFC 6238, appendix B, SHA-1) */
    public static function printed(): iterable
    {
        yield '1970' => [59, '94287082'];
        yield '2005' => [1_111_111_109, '07081804'];
        yield 'a second later' => [1_111_111_111, '14050471'];
        yield '2009' => [1_234_567_890, '89005924'];
        yield '2033' => [2_000_000_000, '69279037'];
        yield '2603' => [20_000_000_000, '65353130'];
    }

    #[DataProvider('printed')]
    public function testTheCodesOfTheStandard(int $seconds, string $code): void
    {
        self::assertSame($code, Totp::code(Totp::toBase32(self::SECRET), intdiv($seconds, Totp::STEP_S), 8));
    }

    public function testTheCodesThatARunningNumberGives(): void
    {
        $codes = array_map(
            static fn(int $number): string => Totp::code(Totp::toBase32(self::SECRET), $number),
            range(0, 9),
        );
        self::assertSame(
            ['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489'],
            $codes,
            'RFC 4226, appendix D',
        );
    }

    public function testBase32AsTheStandardPrintsIt(): void
    {
        foreach (
            [
                'f' => 'MY',
                'fo' => 'MZXQ',
                'foo' => 'MZXW6',
                'foob' => 'MZXW6YQ',
                'fooba' => 'MZXW6YTB',
                'foobar' => 'MZXW6YTBOI',
            ]
            as $plain => $coded
        ) {
            self::assertSame($coded, Totp::toBase32($plain));
            self::assertSame($plain, Totp::fromBase32($coded));
        }
        for ($length = 1; $length <= 40; $length++) {
            $bytes = random_bytes($length);
            self::assertSame($bytes, Totp::fromBase32(Totp::toBase32($bytes)));
        }
        $this->expectException(InvalidArgumentException::class);
        Totp::fromBase32('MZXW1');
    }

    public function testACodeHoldsAStepBeforeAndAfterAndOnce(): void
    {
        $secret = Totp::newSecret();
        self::assertSame(32, strlen($secret));
        self::assertNotSame($secret, Totp::newSecret());
        $now = 1_790_000_000;
        $step = intdiv($now, Totp::STEP_S);
        foreach ([-2 => false, -1 => true, 0 => true, 1 => true, 2 => false] as $away => $holds) {
            self::assertSame(
                $holds ? $step + $away : null,
                Totp::stepOf(Totp::code($secret, $step + $away), $secret, $now, null),
                "$away steps away",
            );
        }
        $code = Totp::code($secret, $step);
        self::assertNull(Totp::stepOf($code, $secret, $now, $step), 'a code that was used');
        self::assertNull(Totp::stepOf($code, $secret, $now, $step + 1), 'and one older than one that was used');
        self::assertSame($step, Totp::stepOf($code, $secret, $now, $step - 1));
        self::assertNull(Totp::stepOf('', $secret, $now, null));
    }
}
