<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\Waiting;
use Rung\Core\Prescribe\StageDraft;
use Rung\Core\Time\TimeOfDay;

/** What differs between two forms of a stage: in words for the record and the athlete, and which doses changed. */
final readonly class StageChangeWords
{
    /**
     * @param array<string, string> $notes by prescription, in the new order, what was left out last
     * @param list<string> $plain what concerns the whole stage
     */
    private function __construct(public array $notes, public array $plain) {}

    /** @param list<Weekday> $daysBefore the days of the week in force */
    public static function describe(StageDraft $draft, array $daysBefore, Catalogue $catalogue): self
    {
        [$before, $after] = [$draft->before, $draft->stage];
        $notes = [];
        foreach ($after->stage->prescriptions as $new) {
            $old = $before->stage->prescription($new->key);
            $words = self::words($old, $new, $after, $catalogue);
            if ($words !== null) {
                $notes[$new->key] = $words;
            }
        }
        foreach ($before->stage->prescriptions as $old) {
            if ($after->stage->prescription($old->key) === null) {
                $notes[$old->key] = 'Left out: ' . $catalogue->titleOf($old->exercise);
            }
        }

        return new self($notes, self::plainNotes($draft, $daysBefore, $catalogue));
    }

    public function isNone(): bool
    {
        return $this->notes === [] && $this->plain === [];
    }

    /** The note of the change, as it is written for the practitioner to edit. */
    public function note(): string
    {
        return implode('; ', [...array_values($this->notes), ...$this->plain]);
    }

    /** @return list<string> */
    private static function slotNotes(?Slot $before, Slot $after): array
    {
        $name = $after->name();
        $times = static fn(?Slot $slot): string => implode(
            ', ',
            array_map(static fn(TimeOfDay $time): string => $time->toText(), $slot->times ?? []),
        );
        $parts = [];
        if ($times($before) !== $times($after)) {
            $parts[] = "$name: " . ($times($after) === '' ? 'at no set time' : 'at ' . $times($after));
        }
        if ($before?->beside?->toArray() !== $after->beside?->toArray()) {
            $parts[] =
                $after->beside === null
                    ? "$name: takes its turn in the rhythm"
                    : 'Beside: ' . PlanWords::beside($after);
        }
        $steps = static fn(?Slot $slot): array => array_map(
            static fn(PracticeStep $step): array => $step->toArray(),
            $slot->practice ?? [],
        );
        if ($steps($before) !== $steps($after)) {
            $parts[] =
                "$name: " .
                ($after->practice === []
                    ? 'no steps any more'
                    : 'other steps, ' . implode('; ', array_map(PlanWords::practice(...), $after->practice)));
        }

        return $parts;
    }

    /** @return list<string> titles of what begins later */
    private static function later(PlanStage $stage, Catalogue $catalogue): array
    {
        return array_map(
            static fn(Waiting $waiting): string => $catalogue->titleOf($waiting->prescription->exercise),
            $stage->waiting,
        );
    }

    private static function words(
        ?Prescription $old,
        Prescription $new,
        PlanStage $after,
        Catalogue $catalogue,
    ): ?string {
        $title = $catalogue->titleOf($new->exercise);
        if ($old === null) {
            return "Added: $title, " . DoseWords::describe($new);
        }
        if ($old->exercise !== $new->exercise) {
            return "{$catalogue->titleOf($old->exercise)} → $title, " . DoseWords::describe($new);
        }
        $parts = array_filter(
            [
                DoseWords::difference($old, $new),
                $old->limbs === $new->limbs
                    ? ''
                    : DoseWords::limbs($old->limbs) . ' → ' . DoseWords::limbs($new->limbs),
                $old->slot === $new->slot
                    ? ''
                    : 'now in ' . lcfirst($after->slot($new->slot)?->name() ?? (string) $new->slot),
                $old->pain?->toArray() == $new->pain?->toArray() ? '' : 'other pain limits',
                $old->cue === $new->cue ? '' : 'new cue',
                self::ladder($old->ladder ?? [], $new->ladder ?? [], $catalogue),
            ],
            static fn(string $part): bool => $part !== '',
        );

        return $parts === [] ? null : "$title: " . implode(', ', $parts);
    }

    /**
     * Which rungs the athlete may take now that were not allowed before, and the other way round.
     *
     * @param list<string> $before
     * @param list<string> $after
     */
    private static function ladder(array $before, array $after, Catalogue $catalogue): string
    {
        $more = array_map($catalogue->titleOf(...), array_values(array_diff($after, $before)));
        $less = array_map($catalogue->titleOf(...), array_values(array_diff($before, $after)));

        return implode(
            ', ',
            array_filter([
                $more === [] ? '' : 'may lead to ' . implode(', ', $more),
                $less === [] ? '' : 'no longer leads to ' . implode(', ', $less),
            ]),
        );
    }

    /**
     * @param list<Weekday> $daysBefore
     *
     * @return list<string>
     */
    private static function plainNotes(StageDraft $draft, array $daysBefore, Catalogue $catalogue): array
    {
        [$before, $after] = [$draft->before, $draft->stage];
        $plain = $draft->endsRest ? ['The rest is over'] : [];
        $kept = static fn(PlanStage $stage, PlanStage $other): array => array_values(
            array_filter(
                array_column($stage->stage->prescriptions, 'key'),
                static fn(string $key): bool => $other->stage->prescription($key) !== null,
            ),
        );
        if ($kept($after, $before) !== $kept($before, $after)) {
            $plain[] =
                'Order: ' .
                implode(
                    ', ',
                    array_map(
                        static fn(Prescription $prescription): string => $catalogue->titleOf($prescription->exercise),
                        $after->stage->prescriptions,
                    ),
                );
        }
        if ($before->rhythm->toArray() !== $after->rhythm->toArray()) {
            $plain[] = 'Rhythm: ' . PlanWords::rhythm($before) . ' → ' . PlanWords::rhythm($after);
        }
        foreach ($after->slots as $slot) {
            $plain = [...$plain, ...self::slotNotes($before->slot($slot->key), $slot)];
        }
        foreach (
            array_diff(
                self::later($before, $catalogue),
                self::later($after, $catalogue),
                array_map(
                    static fn(Prescription $prescription): string => $catalogue->titleOf($prescription->exercise),
                    $after->stage->prescriptions,
                ),
            )
            as $title
        ) {
            $plain[] = "No longer begins later: $title";
        }
        $names = static fn(array $days): array => array_values(
            array_filter(
                array_map(static fn(Weekday $day): string => $day->value, Weekday::cases()),
                static fn(string $day): bool => in_array($day, array_column($days, 'value'), true),
            ),
        );
        if ($names($daysBefore) !== $names($draft->available)) {
            $plain[] = 'Days: ' . implode(' ', array_map(ucfirst(...), $names($draft->available)));
        }

        return $plain;
    }
}
