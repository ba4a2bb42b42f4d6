<?php

declare(strict_types=1);

namespace App\Support;

use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\DayChoice;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekWords;

/** The other days on which an athlete may do a planned session: at once where nothing speaks against it. */
final readonly class OtherDays
{
    /** @param array<string, DayChoice> $choices by day */
    private function __construct(public CaseWeeks $weeks, public Booked $session, private array $choices) {}

    /** @throws InvalidInput where it is not a session that may go elsewhere */
    public static function forSession(CaseWeeks $weeks, string $planned): self
    {
        $session =
            array_values(
                array_filter(
                    $weeks->booked,
                    static fn(Booked $booked): bool => $booked->id === $planned && $weeks->isOpen($planned),
                ),
            )[0] ?? throw InvalidInput::at('/planned', 'is no session that is still to be done');
        $choices = [];
        foreach (
            DayChoice::forSession(
                $session,
                $weeks->booked,
                new WeekCheck($weeks->rules, $weeks->slots),
                $weeks->today,
                $weeks->today->plus(CaseWeeks::AHEAD_DAYS - 1),
            )
            as $choice
        ) {
            $choices[$choice->on->toIso()] = $choice;
        }

        return new self($weeks, $session, $choices);
    }

    /** @throws InvalidInput where the day is not offered */
    public function choice(Day $on): DayChoice
    {
        return $this->choices[$on->toIso()] ??
            throw InvalidInput::at('/on', 'must be one of the days that are offered');
    }

    public function words(): WeekWords
    {
        return new WeekWords($this->weeks->slots, $this->weeks->booked, $this->weeks->rules);
    }

    /** @return list<string> what would break on a day, in words for the athlete */
    public function breaks(DayChoice $choice): array
    {
        $moved = $this->weeks->moved([$this->session->id => $choice->on]);
        $words = new WeekWords($moved->slots, $moved->booked, $moved->rules);

        return array_values(array_unique(array_map($words->ownClash(...), $choice->breaks)));
    }

    /** @return list<array{on: string, free: bool, words: list<string>}> */
    public function toArray(): array
    {
        return array_values(
            array_map(
                fn(DayChoice $dayChoice): array => [
                    'on' => $dayChoice->on->toIso(),
                    'free' => $dayChoice->isFree(),
                    'words' => $this->breaks($dayChoice),
                ],
                $this->choices,
            ),
        );
    }
}
