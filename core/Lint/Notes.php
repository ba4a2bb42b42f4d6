<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Catalogue\LintKey;
use Rung\Core\Dose\Prescription;

/** Gathers the notes of one look, with the titles and limits of the catalogue. */
abstract class Notes
{
    /** @var list<LintNote> */
    private array $notes = [];

    final protected function __construct(protected readonly LintSubject $subject) {}

    /** @return list<LintNote> */
    final public static function on(LintSubject $subject): array
    {
        $look = new static($subject);
        $look->look();

        return $look->notes;
    }

    abstract protected function look(): void;

    final protected function limit(LintKey $key, string $name): int|float
    {
        return ($this->subject->catalogue->lint[$key->value] ?? null)?->limit($name) ?? 0;
    }

    final protected function say(LintKey $key, string $words, ?Prescription $about = null): void
    {
        $rule = $this->subject->catalogue->lint[$key->value] ?? null;
        if ($rule === null) {
            return;
        }
        $title = $about === null ? '' : $this->subject->catalogue->titleOf($about->exercise) . ': ';
        $this->notes[] = new LintNote($key, $rule->title, $rule->why, $title . $words, $about?->key);
    }
}
