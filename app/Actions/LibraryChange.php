<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\LibraryKind;
use Rung\Core\Catalogue\Ladder;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\School;
use Rung\Core\Exercise\Exercise;

/** What taking in one item of a library file does. */
final readonly class LibraryChange
{
    private function __construct(
        public LibraryKind $kind,
        public Exercise|Ladder|Programme|School|Measure $item,
        public LibraryDifference $what,
    ) {}

    public static function between(
        LibraryKind $kind,
        Exercise|Ladder|Programme|School|Measure $item,
        Exercise|Ladder|Programme|School|Measure|null $now,
    ): self {
        return new self(
            $kind,
            $item,
            match (true) {
                $now === null => LibraryDifference::New,
                json_encode($now->toArray()) === json_encode($item->toArray()) => LibraryDifference::Same,
                default => LibraryDifference::Changed,
            },
        );
    }

    /** @return array{kind: string, key: string, title: string, what: string} */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'key' => $this->item->key,
            'title' => $this->item->title,
            'what' => $this->what->value,
        ];
    }
}
