<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Irritability;

/** Proposes the stage and the rung to begin with (docs/rules.md, "Where to begin"). */
final class StartAdvisor
{
    /** Goals that ask for no springs. */
    private const WITHOUT_SPRINGS = [Goal::Everyday, Goal::Hands, Goal::Strength];

    private const TEST_FOR_STRENGTH = 3;

    private const TEST_FOR_SPRINGS = 2;

    private const SYMMETRY_FOR_SPRINGS_PERCENT = 90;

    /**
     * @param list<StartStage> $stages of the programme, in order
     * @param bool $atRisk any risk is recorded
     * @param bool $unresolvedSign a referral sign that no practitioner has resolved
     */
    public static function propose(
        Findings $findings,
        Goal $goal,
        array $stages,
        bool $atRisk,
        bool $unresolvedSign,
    ): StartProposal {
        $irritability = $findings->irritability();
        $blocked = $unresolvedSign || $findings->forbidStart();
        $applicable = array_values(
            array_filter($stages, static fn(StartStage $stage): bool => $stage->appliesTo($goal)),
        );
        if ($blocked || $applicable === []) {
            return new StartProposal($irritability, $findings->reasons(), null, null, [], $blocked);
        }
        $stage = self::stage($irritability, $findings, $goal, $applicable);
        $rung = self::rung($irritability, $stage, $stage === $applicable[0]);
        $notes = $atRisk && $rung === RungLevel::Easiest ? [StartProposal::START_CAREFULLY] : [];

        return new StartProposal(
            $irritability,
            $findings->reasons(),
            $stage->key,
            $atRisk ? $rung->easier() : $rung,
            $notes,
            false,
        );
    }

    /**
     * Answers a start request (docs/formats/case-file.md, "Start").
     *
     * @return array<string, mixed>
     *
     * @throws \Rung\Core\Input\InvalidInput
     */
    public static function answer(string $json): array
    {
        return Json::read($json, static function (ObjectNode $node): array {
            $signs = $node->eachOrEmpty('referral_signs', static function (ObjectNode $sign): bool {
                $sign->text('sign');

                return $sign->flag('resolved');
            });
            $stages = $node->each('stages', StartStage::read(...));
            $node->unique('stages', 'key', array_column($stages, 'key'));

            return self::propose(
                new Findings(
                    rest: $node->wholeOrNull('rest', 0, 10),
                    test: $node->wholeOrNull('test', 0, 10),
                    settle: $node->numberOrNull('settle_min'),
                    stiffness: $node->numberOrNull('stiffness_min'),
                    symmetryPercent: $node->numberOrNull('symmetry_percent'),
                    trainingDaysPerWeek: $node->number('training_days_per_week', 0, 7),
                ),
                $node->choice('goal', Goal::class),
                $stages,
                ($node->textsOrNull('risks') ?? []) !== [],
                in_array(false, $signs, true),
            )->toArray();
        });
    }

    /** @param non-empty-list<StartStage> $applicable */
    private static function stage(
        Irritability $irritability,
        Findings $findings,
        Goal $goal,
        array $applicable,
    ): StartStage {
        $first = $applicable[0];
        $strength = null;
        $springs = null;
        foreach ($applicable as $stage) {
            $strength ??= $stage->mode->isMoving() ? $stage : null;
            $springs ??= $stage->mode->isSpringy() ? $stage : null;
        }

        return match ($irritability) {
            Irritability::High, Irritability::Unknown => $first,
            Irritability::Medium => $findings->test !== null &&
            $findings->test <= self::TEST_FOR_STRENGTH &&
            $findings->trainsThreeDays()
                ? $strength ?? $first
                : $first,
            Irritability::Low => self::readyForSprings($findings, $goal)
                ? $springs ?? ($strength ?? $first)
                : $strength ?? $first,
        };
    }

    private static function readyForSprings(Findings $findings, Goal $goal): bool
    {
        return !in_array($goal, self::WITHOUT_SPRINGS, true) &&
            $findings->rest !== null &&
            $findings->settle !== null &&
            $findings->test !== null &&
            $findings->test <= self::TEST_FOR_SPRINGS &&
            $findings->symmetryPercent !== null &&
            Number::atLeast($findings->symmetryPercent, self::SYMMETRY_FOR_SPRINGS_PERCENT) &&
            $findings->trainsThreeDays();
    }

    private static function rung(Irritability $irritability, StartStage $stage, bool $isFirst): RungLevel
    {
        return match ($irritability) {
            Irritability::High, Irritability::Unknown => RungLevel::Easiest,
            Irritability::Medium => $isFirst ? RungLevel::Middle : RungLevel::Easiest,
            Irritability::Low => $stage->mode->isSpringy() ? RungLevel::Easiest : RungLevel::Usual,
        };
    }
}
