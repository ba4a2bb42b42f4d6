<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Record\Entry;

/** The limits on the pain of an entry: its prescription's own, else the rule's. */
final class PainBounds
{
    public static function isOverMax(Entry $entry, Log $log): bool
    {
        $ruleMax = $log->file->response_rule->during_max;
        $prescription = $entry->prescription === null ? null : $log->prescriptions[$entry->prescription] ?? null;

        return $entry->pain !== null && $entry->pain > ($prescription?->maxPain($ruleMax) ?? $ruleMax);
    }

    public static function isUnderMin(Entry $entry, Log $log): bool
    {
        $min = self::min($entry, $log);

        return $entry->pain !== null && $min !== null && $entry->pain < $min;
    }

    public static function min(Entry $entry, Log $log): ?int
    {
        return $entry->prescription === null ? null : ($log->prescriptions[$entry->prescription] ?? null)?->minPain();
    }
}
