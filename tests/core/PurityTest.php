<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Tests\Architecture\LayeringTest;

/** The core reads no clock, no chance, no disk and no environment of its own; all of it is handed in. */
final class PurityTest extends TestCase
{
    private const FORBIDDEN = [
        'time',
        'microtime',
        'hrtime',
        'date',
        'getdate',
        'localtime',
        'mktime',
        'strtotime',
        'date_create',
        'date_default_timezone_get',
        'date_default_timezone_set',
        'rand',
        'mt_rand',
        'random_int',
        'random_bytes',
        'shuffle',
        'array_rand',
        'uniqid',
        'lcg_value',
        'str_shuffle',
        'file_get_contents',
        'file_put_contents',
        'fopen',
        'file',
        'scandir',
        'glob',
        'is_file',
        'is_dir',
        'readfile',
        'unlink',
        'touch',
        'tempnam',
        'getenv',
        'putenv',
        'setlocale',
        'ini_set',
        'ini_get',
        'exec',
        'shell_exec',
        'system',
        'error_log',
        'sleep',
        'usleep',
        'gethostname',
        'curl_init',
    ];

    /** Where what is handed in comes from: the command reads its file, the catalogue its folder. */
    private const AT_THE_RIM = [
        'Cli/Command.php',
        'Catalogue/CatalogueFolder.php',
        'Figure/FigureFolder.php',
        'autoload.php',
    ];

    public function testNothingIsReadThatIsNotHandedIn(): void
    {
        $root = dirname(__DIR__, 2) . '/core/';
        $looked = 0;
        foreach (
            new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS))
            as $file
        ) {
            assert($file instanceof SplFileInfo);
            $name = substr($file->getPathname(), strlen($root));
            if ($file->getExtension() !== 'php' || in_array($name, self::AT_THE_RIM, true)) {
                continue;
            }
            self::assertSame([], self::faults((string) file_get_contents($file->getPathname())), $name);
            $looked++;
        }
        self::assertGreaterThan(150, $looked);
    }

    public function testEveryFolderHasItsPlaceInTheLine(): void
    {
        $folders = array_map(
            static fn(string $folder): string => basename($folder),
            glob(dirname(__DIR__, 2) . '/core/*', GLOB_ONLYDIR) ?: [],
        );
        self::assertEqualsCanonicalizing(LayeringTest::LINE, $folders);
    }

    public function testWhatIsForbiddenIsFound(): void
    {
        self::assertSame(
            ['time', 'new DateTimeImmutable', 'new DateTimeImmutable', '$_SERVER', 'random_int'],
            self::faults(
                '<?php $a = time(); $b = new DateTimeImmutable(); $c = new \DateTimeImmutable("now"); $d = $_SERVER["x"]; $e = \random_int(1, 2);' .
                    ' $f = $clock->time(); $g = Clock::date(); function rand() {} $h = new DateTimeImmutable($day); $i = new Moment();',
            ),
        );
    }

    /** @return list<string> */
    private static function faults(string $code): array
    {
        $tokens = array_values(
            array_filter(\PhpToken::tokenize($code), static fn(\PhpToken $token): bool => !$token->isIgnorable()),
        );
        $faults = [];
        foreach ($tokens as $i => $token) {
            $before = $tokens[$i - 1] ?? null;
            $after = $tokens[$i + 1] ?? null;
            $name = ltrim($token->text, '\\');
            if (
                $token->is(T_VARIABLE) &&
                in_array($token->text, ['$_SERVER', '$_ENV', '$_GET', '$_POST', '$GLOBALS'], true)
            ) {
                $faults[] = $token->text;
            }
            if (!$token->is([T_STRING, T_NAME_FULLY_QUALIFIED])) {
                continue;
            }
            $isCall =
                $after?->text === '(' &&
                !(
                    $before?->is([T_OBJECT_OPERATOR, T_NULLSAFE_OBJECT_OPERATOR, T_DOUBLE_COLON, T_FUNCTION, T_NEW]) ??
                    false
                );
            if ($isCall && in_array(strtolower($name), self::FORBIDDEN, true)) {
                $faults[] = $name;
            }
            if (($before?->is(T_NEW) ?? false) && in_array($name, ['DateTime', 'DateTimeImmutable'], true)) {
                $argument = $after?->text === '(' ? $tokens[$i + 2]->text ?? ')' : ')';
                if ($argument === ')' || in_array(trim($argument, '"\''), ['now', 'today'], true)) {
                    $faults[] = "new $name";
                }
            }
        }

        return $faults;
    }
}
