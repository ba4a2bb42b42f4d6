<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Where the core says in which section of docs/rules.md a rule stands, there is such a section. */
final class RulesNamedTest extends TestCase
{
    public function testEverySectionThatIsNamedIsThere(): void
    {
        $root = dirname(__DIR__, 2);
        preg_match_all('/^#+ (.+)$/m', (string) file_get_contents("$root/docs/rules.md"), $headings);
        $named = 0;
        $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator("$root/core"));
        foreach ($files as $file) {
            if (!($file instanceof SplFileInfo) || $file->getExtension() !== 'php') {
                continue;
            }
            // A name may go on in the next line of a comment.
            $text = (string) preg_replace('/\s*\n\s*\*\s*/', ' ', (string) file_get_contents($file->getPathname()));
            preg_match_all('/docs\/rules\.md,? "([^"]+)"/', $text, $found);
            foreach ($found[1] as $section) {
                self::assertContains($section, $headings[1], $file->getFilename());
                $named++;
            }
        }
        self::assertGreaterThan(50, $named);
    }
}
