<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

use Rung\Core\Time\Day;

/** A risk that was answered with yes, with its date where one is asked. */
final readonly class FoundRisk
{
    public function __construct(public Risk $risk, public ?Day $takenOn = null) {}

    /**
     * Whether it makes the start easier. Where the day on which the pain began, or on which the
     * medicine was taken, is not known, it counts: the careful answer (docs/rules.md, "Screening").
     */
    public function counts(?Day $painBegan): bool
    {
        $days = $this->daysBefore($painBegan);

        return $days === null || ($days >= $this->risk->atLeastDaysBefore && $days <= $this->risk->atMostDaysBefore);
    }

    /** What was found, and why it does or does not count. */
    public function words(?Day $painBegan): string
    {
        $days = $this->daysBefore($painBegan);
        if ($days === null) {
            return $this->risk->words . ($this->risk->asksTakenOn ? ', date not known: counted' : '');
        }
        $span =
            $this->risk->atLeastDaysBefore > 0
                ? "{$this->risk->atLeastDaysBefore} to {$this->risk->atMostDaysBefore} days"
                : "{$this->risk->atMostDaysBefore} days";
        $when = $days >= 0 ? "$days days before the pain began" : abs($days) . ' days after the pain began';

        return "{$this->risk->words}, $when: " .
            ($this->counts($painBegan) ? "within $span" : "outside $span, not counted");
    }

    private function daysBefore(?Day $painBegan): ?int
    {
        return !$this->risk->asksTakenOn || $this->takenOn === null || $painBegan === null
            ? null
            : $painBegan->daysSince($this->takenOn);
    }
}
