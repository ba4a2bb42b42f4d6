<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Start\Findings;
use Rung\Core\Time\Day;

/** Who plays which programme, and for how long (docs/formats/case-file.md, "Play"). */
final readonly class PlayRequest
{
    private const MAX_WEEKS = 104;

    /** Training days a week of whoever does not say which days there are. */
    private const USUAL_DAYS = 3;

    /**
     * @param list<string> $equipment at hand
     * @param list<Weekday> $available
     * @param array<string, int|float> $maxima kilograms that could be lifted once, by exercise or test
     */
    private function __construct(
        public Programme $programme,
        public Structure $structure,
        public Side $side,
        public Goal $goal,
        public int|float $bodyMassKg,
        public int $weeks,
        public Day $from,
        public Purpose $purpose,
        public Findings $findings,
        public array $equipment,
        public bool $atRisk,
        public array $available,
        public array $maxima,
        public PlayedAthlete $athlete,
    ) {}

    /** @throws \Rung\Core\Input\InvalidInput with every fault of the request */
    public static function read(string $json, Catalogue $catalogue): self
    {
        return Json::read($json, static function (ObjectNode $node) use ($catalogue): self {
            $key = $node->key('programme');
            $programme = $catalogue->programmes[$key] ?? null;
            if ($programme === null && $key !== '') {
                $node->fault('programme', 'must name a programme of the catalogue');
            }
            $programme ??= $catalogue->programmes[array_key_first($catalogue->programmes) ?? ''];
            $structure = $node->choice('structure', Structure::class);
            if (
                $node->hasText('programme') &&
                $node->hasText('structure') &&
                isset($catalogue->programmes[$key]) &&
                !in_array($structure, $programme->structures, true)
            ) {
                $node->fault('structure', 'must be one that the programme is for');
            }
            $available = $node->choicesOrNull('available', Weekday::class);
            if ($available === []) {
                $node->fault('available', 'must hold at least one day of the week');
            }
            $findings = static fn(ObjectNode $found): Findings => new Findings(
                rest: $found->wholeOrNull('rest', 0, 10),
                test: $found->wholeOrNull('test', 0, 10),
                settle: $found->numberOrNull('settle_min'),
                stiffness: $found->numberOrNull('stiffness_min'),
                symmetryPercent: $found->numberOrNull('symmetry_percent'),
                trainingDaysPerWeek: $available === null ? self::USUAL_DAYS : count($available),
            );

            return new self(
                programme: $programme,
                structure: $structure,
                side: $node->choice('side', Side::class),
                goal: $node->choice('goal', Goal::class),
                bodyMassKg: $node->number(
                    'body_mass_kg',
                    DoseArithmetic::MIN_BODY_MASS_KG,
                    DoseArithmetic::MAX_BODY_MASS_KG,
                ),
                weeks: $node->whole('weeks', 1, self::MAX_WEEKS),
                from: $node->day('from'),
                purpose: $node->choiceOrNull('purpose', Purpose::class) ?? $programme->purpose,
                findings: $node->child('irritability', $findings),
                equipment: $node->required('equipment') ? $node->textsOrNull('equipment') ?? [] : [],
                atRisk: ($node->textsOrNull('risks') ?? []) !== [],
                available: $available ?? Weekday::cases(),
                maxima: $node->childOrNull('maxima', static fn(ObjectNode $map): array => $map->numbers()) ?? [],
                athlete: $node->child('athlete', PlayedAthlete::read(...)),
            );
        });
    }
}
