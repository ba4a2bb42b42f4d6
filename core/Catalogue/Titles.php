<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

/** What exercises and findings are called; a key that nobody knows stands for itself. */
interface Titles
{
    public function titleOf(string $exercise): string;

    public function wordsOf(string $finding): string;
}
