<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Measuring\Measurement;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Session;

/** What a row of a sheet comes to, before it is stored. */
final readonly class SheetEntry
{
    /** @param list<int> $lines of the sheet, which belong to one entry */
    public function __construct(
        public array $lines,
        /** What would be stored; null where something is wrong with the row. */
        public CheckIn|Session|Measurement|null $record,
        public string $words,
        public ?string $fault,
        /** Whether the case has it already, so that it is not stored again. */
        public bool $isThere = false,
    ) {}
}
