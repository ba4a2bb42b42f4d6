<?php

declare(strict_types=1);

namespace App\Actions;

use App\Care\Advice;
use App\Models\CareCase;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;
use Rung\Core\Time\Day;

/** What is known of an athlete and a case beside what is logged, as it stands on the form. */
final readonly class IntakeData
{
    /**
     * @param list<Day> $events shows, matches, races
     * @param list<Day> $blocked days without any session
     * @param list<string>|null $equipment at hand; null: not asked
     * @param list<Advice> $advice each from today
     * @param list<string>|null $found findings of the examination, by key; null: as they are
     */
    private function __construct(
        /** Of the intake, as it was looked at. */
        public int $revision,
        public ?string $history,
        public ?Day $beganOn,
        public ?string $loadChange,
        public ?string $aggravating,
        public ?string $occupation,
        public ?string $medicines,
        public Goal $goal,
        public ?Day $goalOn,
        public array $events,
        public array $blocked,
        public ?array $equipment,
        public ?int $sessionMinutes,
        public int|float|null $bodyMassKg,
        public ?Day $bornOn,
        public ?Day $seasonFrom,
        public ?Day $seasonUntil,
        public array $advice,
        public ?array $found,
        public ?string $why,
    ) {}

    /** How often the intake of a case was changed: what somebody looked at is out of date once it is another. */
    public static function revisionOf(CareCase $case): int
    {
        return $case->decisions()->where('kind', 'intake')->count();
    }

    public static function read(ObjectNode $node, Catalogue $catalogue, Day $today): self
    {
        $text = static function (string $field) use ($node): ?string {
            $typed = trim($node->textOrNull($field) ?? '');

            return $typed === '' ? null : $typed;
        };
        $beganOn = $node->dayOrNull('began_on');
        if ($beganOn !== null && $beganOn->isAfter($today)) {
            $node->fault('began_on', 'must not lie in the future');
        }

        [$seasonFrom, $seasonUntil] = self::season($node);

        return new self(
            $node->whole('revision'),
            $text('history'),
            $beganOn,
            $text('load_change'),
            $text('aggravating'),
            $text('occupation'),
            $text('medicines'),
            $node->choice('goal', Goal::class),
            $node->dayOrNull('goal_on'),
            self::sorted($node->days('events')),
            self::sorted($node->days('blocked')),
            $node->textsOrNull('equipment'),
            $node->wholeOrNull('session_minutes', 5, 240),
            $node->numberOrNull('body_mass_kg', DoseArithmetic::MIN_BODY_MASS_KG, DoseArithmetic::MAX_BODY_MASS_KG),
            AthleteEntry::bornOn($node, $today),
            $seasonFrom,
            $seasonUntil,
            $node->eachOrEmpty(
                'advice',
                static fn(ObjectNode $advice): Advice => new Advice(
                    $advice->text('words'),
                    $today,
                    $advice->dayOrNull('until'),
                ),
            ),
            self::found($node, $catalogue),
            $text('why'),
        );
    }

    /** @return list<string>|null findings of the examination, by key; null where nothing is said of them */
    public static function found(ObjectNode $node, Catalogue $catalogue): ?array
    {
        $found = $node->textsOrNull('found');
        foreach ($found ?? [] as $i => $key) {
            if (!isset($catalogue->findings[$key])) {
                $node->inItem("found/$i", 'must be a finding of the catalogue');
            }
        }

        return $found === null ? null : array_values(array_unique($found));
    }

    /** @return array{Day|null, Day|null} its first and last day, as season_from and season_until */
    public static function season(ObjectNode $node): array
    {
        [$from, $until] = [$node->dayOrNull('season_from'), $node->dayOrNull('season_until')];
        if ($from !== null && $until !== null && !$until->isAfter($from)) {
            $node->fault('season_until', 'must lie after the day on which the season begins');
        }

        return [$from, $until];
    }

    /**
     * @param list<Day> $days
     *
     * @return list<Day> each once, in order
     */
    private static function sorted(array $days): array
    {
        $byNumber = array_column($days, null, 'number');
        ksort($byNumber);

        return array_values($byNumber);
    }
}
