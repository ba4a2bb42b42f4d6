<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Catalogue\LintKey;

/** Points out what a careful colleague would (docs/rules.md, "Lint"). Nothing is forbidden by it. */
final class Linter
{
    /** @return list<LintNote> in the order of the rules */
    public static function lint(LintSubject $subject): array
    {
        $notes = [
            ...DoseLint::on($subject),
            ...ChangeLint::on($subject),
            ...CalendarLint::on($subject),
            ...CourseLint::on($subject),
        ];
        $order = array_flip(array_column(LintKey::cases(), 'value'));
        usort($notes, static fn(LintNote $a, LintNote $b): int => $order[$a->key->value] <=> $order[$b->key->value]);

        return $notes;
    }
}
