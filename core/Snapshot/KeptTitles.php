<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Catalogue\Titles;
use Rung\Core\Input\ObjectNode;

/**
 * The titles and findings that the changes of a proposal speak of, kept with them, so that they can be said without the
 * catalogue.
 */
final readonly class KeptTitles implements Titles
{
    /**
     * @param array<string, string> $titles of exercises, by key
     * @param array<string, string> $findings their words, by key
     */
    private function __construct(private array $titles, private array $findings) {}

    /** @param list<ChangeNote> $notes */
    public static function ofNotes(array $notes, Titles $from): self
    {
        [$titles, $findings] = [[], []];
        foreach ($notes as $note) {
            foreach ([$note->before, $note->after] as $prescription) {
                if ($prescription !== null) {
                    $titles[$prescription->exercise] = $from->titleOf($prescription->exercise);
                }
            }
            $finding = $note->startsWhen?->finding;
            if ($finding !== null) {
                $findings[$finding] = $from->wordsOf($finding);
            }
        }

        return new self($titles, $findings);
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->child('titles', static fn(ObjectNode $titles): array => $titles->texts()),
            $node->child('findings', static fn(ObjectNode $findings): array => $findings->texts()),
        );
    }

    public function titleOf(string $exercise): string
    {
        return $this->titles[$exercise] ?? $exercise;
    }

    public function wordsOf(string $finding): string
    {
        return $this->findings[$finding] ?? $finding;
    }

    /** @return array{titles: object, findings: object} */
    public function toArray(): array
    {
        return ['titles' => (object) $this->titles, 'findings' => (object) $this->findings];
    }
}
