<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Support\Str;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Screening\FoundRisk;
use Rung\Core\Screening\FoundSign;
use Rung\Core\Start\Findings;
use Rung\Core\Start\SeverityScore;
use Rung\Core\Start\Trial;
use Rung\Core\Strength\Strength;
use Rung\Core\Strength\TestSense;
use Rung\Core\Time\Day;

/** What a practitioner found and chose when opening a case. */
final readonly class OpeningData
{
    /**
     * @param list<Weekday> $available
     * @param list<Day> $events
     * @param list<string>|null $equipment at hand; null: not asked
     * @param list<FoundRisk> $risks
     * @param list<FoundSign> $signs
     * @param list<string> $advice on what to cut or change for now
     * @param array<string, array{affected: int|float, unaffected: int|float, unit: string}> $tests by kind: strength, range, count
     * @param list<Trial> $trials what was tried in the room
     * @param array<string, string> $exercises chosen by hand, by prescription
     * @param list<string> $found findings of the examination, by key
     */
    private function __construct(
        /** Made by the browser, so that an opening that is sent twice opens one case. */
        public ?string $id,
        public AthleteEntry $athlete,
        public Purpose $purpose,
        /** The season that prevention is for. */
        public ?Day $seasonFrom,
        public ?Day $seasonUntil,
        public Structure $structure,
        public Side $side,
        public Goal $goal,
        public ?Day $goalOn,
        public ?Day $beganOn,
        public ?string $history,
        public ?string $loadChange,
        public ?string $aggravating,
        public array $available,
        public array $events,
        public ?array $equipment,
        public ?int $sessionMinutes,
        public Findings $findings,
        public array $risks,
        public array $signs,
        /** Whether it was answered that there is no sign, or no risk: an empty list alone is no answer. */
        public bool $noSigns,
        public bool $noRisks,
        /** That the growth zone of somebody who still grows was looked at, and does not hurt. */
        public bool $growthChecked,
        public bool $screened,
        public array $advice,
        public ?Day $adviceUntil,
        public array $tests,
        public ?SeverityScore $severity,
        public string $programme,
        /** The response rule; null: the programme's own. */
        public ?string $rule,
        /** The stage in which to begin; null: the proposed one. */
        public ?string $stage,
        public array $trials,
        public array $exercises,
        public array $found,
        /** The draft that it was typed in. */
        public ?string $draft,
    ) {}

    public static function read(ObjectNode $node, Catalogue $catalogue, Day $today): self
    {
        $available = $node->choicesOrNull('available', Weekday::class) ?? [];
        if ($node->required('available') && $available === []) {
            $node->fault('available', 'must hold at least one day of the week');
        }
        $side = $node->choice('side', Side::class);
        $structure = $node->choice('structure', Structure::class);
        self::comingDay($node, 'season_until', $today);
        [$seasonFrom, $seasonUntil] = IntakeData::season($node);
        $tests = [];
        foreach (
            [
                'strength' => $catalogue->measure($catalogue->structure($structure)->strengthTest)->unit,
                'range' => '°',
                'count' => 'repetitions',
            ]
            as $kind => $unit
        ) {
            $test = $node->childOrNull(
                $kind,
                static fn(ObjectNode $test): array => [
                    'affected' => $test->number('affected'),
                    'unaffected' => $test->positive('unaffected'),
                    'unit' => $unit,
                ],
            );
            if ($test !== null) {
                $fault = TestSense::fault($test['affected'], $test['unaffected']);
                if ($fault !== null) {
                    $node->inItem("$kind/affected", $fault);
                }
                $tests[$kind] = $test;
            }
        }

        return new self(
            id: self::id($node),
            athlete: $node->child(
                'athlete',
                static fn(ObjectNode $athlete): AthleteEntry => AthleteEntry::read($athlete, $today),
            ),
            purpose: $node->choice('purpose', Purpose::class),
            seasonFrom: $seasonFrom,
            seasonUntil: $seasonUntil,
            structure: $structure,
            side: $side,
            goal: $node->choice('goal', Goal::class),
            goalOn: self::comingDay($node, 'goal_on', $today),
            beganOn: self::pastDay($node, 'began_on', $today),
            history: $node->textOrNull('history'),
            loadChange: $node->textOrNull('load_change'),
            aggravating: $node->textOrNull('aggravating'),
            available: $available,
            events: self::events($node, $today),
            equipment: $node->textsOrNull('equipment'),
            sessionMinutes: $node->wholeOrNull('session_minutes', 5, 240),
            findings: new Findings(
                rest: $node->wholeOrNull('rest', 0, 10),
                test: $node->wholeOrNull('test', 0, 10),
                settle: $node->numberOrNull('settle_min'),
                stiffness: $node->numberOrNull('stiffness_min'),
                symmetryPercent: isset($tests['strength'])
                    ? Strength::symmetry(
                        $tests['strength']['affected'],
                        $tests['strength']['unaffected'],
                        $side === Side::Both,
                    )
                    : null,
                trainingDaysPerWeek: $node->whole('training_days_per_week', 0, 7),
            ),
            risks: $node->eachOrEmpty(
                'risks',
                static fn(ObjectNode $risk): FoundRisk => self::risk($risk, $catalogue, $today),
            ),
            signs: $node->eachOrEmpty('signs', static fn(ObjectNode $sign): FoundSign => self::sign($sign, $catalogue)),
            noSigns: $node->flagOrNull('no_signs') ?? false,
            noRisks: $node->flagOrNull('no_risks') ?? false,
            growthChecked: $node->flagOrNull('growth_checked') ?? false,
            screened: $node->flagOrNull('screened') ?? false,
            advice: $node->textsOrNull('advice') ?? [],
            adviceUntil: self::comingDay($node, 'advice_until', $today),
            tests: $tests,
            severity: $node->childOrNull('severity', SeverityScore::read(...)),
            programme: $node->key('programme'),
            rule: $node->textOrNull('rule'),
            stage: $node->textOrNull('stage'),
            trials: $node->eachOrEmpty(
                'trials',
                static fn(ObjectNode $trial): Trial => self::trial($trial, $catalogue),
            ),
            exercises: $node->childOrNull('exercises', static fn(ObjectNode $map): array => $map->texts()) ?? [],
            found: IntakeData::found($node, $catalogue) ?? [],
            draft: $node->textOrNull('draft'),
        );
    }

    public function hasSign(string $sign): bool
    {
        return in_array($sign, array_column($this->signs, 'key'), true);
    }

    private static function id(ObjectNode $node): ?string
    {
        $id = $node->textOrNull('id');
        if ($id !== null && !Str::isUuid($id)) {
            $node->fault('id', 'must be a UUID, a new one for each opening');

            return null;
        }

        return $id === null ? null : strtolower($id);
    }

    private static function risk(ObjectNode $node, Catalogue $catalogue, Day $today): FoundRisk
    {
        $key = $node->key('key');
        $risk = $catalogue->risks[$key] ?? null;
        $takenOn = self::pastDay($node, 'taken_on', $today);
        if ($risk === null) {
            $node->fault('key', 'must be a risk of the catalogue');
            $risk = $catalogue->risks[array_key_first($catalogue->risks) ?? ''];
        }

        return new FoundRisk($risk, $takenOn);
    }

    private static function sign(ObjectNode $node, Catalogue $catalogue): FoundSign
    {
        $key = $node->key('key');
        $why = $node->textOrNull('why');
        if (!isset($catalogue->signs[$key])) {
            $node->fault('key', 'must be a referral sign of the catalogue');
        }

        return new FoundSign($key, $catalogue->signs[$key]->words ?? $key, $why);
    }

    private static function trial(ObjectNode $node, Catalogue $catalogue): Trial
    {
        $trial = Trial::read($node);
        if (!isset($catalogue->exercises[$trial->exercise])) {
            $node->fault('exercise', 'must be an exercise of the library');
        }

        return $trial;
    }

    private static function pastDay(ObjectNode $node, string $field, Day $today): ?Day
    {
        $day = $node->dayOrNull($field);
        if ($day !== null && $day->isAfter($today)) {
            $node->fault($field, 'must not lie in the future');
        }

        return $day;
    }

    private static function comingDay(ObjectNode $node, string $field, Day $today): ?Day
    {
        $day = $node->dayOrNull($field);
        if ($day !== null && $today->isAfter($day)) {
            $node->fault($field, 'must not lie before today');
        }

        return $day;
    }

    /** @return list<Day> */
    private static function events(ObjectNode $node, Day $today): array
    {
        $events = $node->days('events');
        foreach ($events as $i => $event) {
            if ($event->number !== 0 && $today->isAfter($event)) {
                $node->inItem("events/$i", 'must not lie before today');
            }
        }

        return $events;
    }
}
