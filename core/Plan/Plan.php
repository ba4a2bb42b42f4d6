<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Exercise;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Day;

/** What a case is to do: the stages of its programme with doses and calendars, and what rests for now. */
final readonly class Plan
{
    /**
     * @param list<PlanStage> $stages
     * @param array<string, Day> $resting prescriptions that rest, by key, with the day from which they are tried again
     * @param array<string, Exercise> $exercises copies of the practice's own, by key, as they were when the case was given them
     */
    public function __construct(public array $stages, public array $resting = [], public array $exercises = []) {}

    /** @throws InvalidInput */
    public static function fromJson(string $json): self
    {
        return Json::read($json, static function (ObjectNode $node): self {
            $stages = self::readStages($node);
            $resting = [];
            foreach ($node->eachOrEmpty('resting', static fn(ObjectNode $rest): array => [$rest->key('prescription'), $rest->day('until')]) as [$key, $until]) {
                $resting[$key] = $until;
            }

            $exercises = array_column($node->eachOrEmpty('exercises', Exercise::read(...)), null, 'key');

            return new self($stages, $resting, $exercises);
        });
    }

    /** @return list<PlanStage> */
    public static function readStages(ObjectNode $node): array
    {
        $stages = $node->each('stages', PlanStage::read(...));
        $seen = [];
        foreach ($stages as $i => $stage) {
            foreach ($stage->stage->prescriptions as $j => $prescription) {
                if (isset($seen[$prescription->key])) {
                    $node->inItem("stages/$i/prescriptions/$j/key", 'is there twice; every prescription needs its own');
                }
                $seen[$prescription->key] = true;
            }
        }
        $node->unique('stages', 'key', array_map(static fn(PlanStage $stage): string => $stage->stage->key, $stages));

        return $stages;
    }

    /** @return list<Stage> */
    public function caseStages(): array
    {
        return array_map(static fn(PlanStage $stage): Stage => $stage->stage, $this->stages);
    }

    public function stage(string $key): ?PlanStage
    {
        foreach ($this->stages as $stage) {
            if ($stage->stage->key === $key) {
                return $stage;
            }
        }

        return null;
    }

    /** The plan with one prescription replaced by another of the same key. */
    public function withPrescription(Prescription $new): self
    {
        $stages = array_map(static fn(PlanStage $stage): PlanStage => $stage->withStage($stage->stage->withPrescriptions(
            array_map(static fn(Prescription $p): Prescription => $p->key === $new->key ? $new : $p, $stage->stage->prescriptions),
        )), $this->stages);

        return new self($stages, $this->resting, $this->exercises);
    }

    /** @param callable(PlanStage): PlanStage $change */
    public function mapStages(callable $change): self
    {
        return new self(array_map($change, $this->stages), $this->resting, $this->exercises);
    }

    /** @return list<Prescription> of all stages */
    public function prescriptions(): array
    {
        return array_merge(...array_map(static fn(PlanStage $stage): array => $stage->stage->prescriptions, $this->stages));
    }

    /** The plan with copies of those of its exercises that are the practice's own and are not kept yet. */
    public function keeping(Catalogue $catalogue): self
    {
        $exercises = $this->exercises;
        foreach ($this->prescriptions() as $prescription) {
            if (isset($catalogue->versions["exercise/$prescription->exercise"])) {
                $exercises += [$prescription->exercise => $catalogue->exercise($prescription->exercise)];
            }
        }

        return new self($this->stages, $this->resting, $exercises);
    }

    public function restingUntil(string $prescription, Day $until): self
    {
        return new self($this->stages, [...$this->resting, $prescription => $until], $this->exercises);
    }

    public function rests(string $prescription, Day $on): bool
    {
        $until = $this->resting[$prescription] ?? null;

        return $until !== null && $until->isAfter($on);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $resting = [];
        foreach ($this->resting as $prescription => $until) {
            $resting[] = ['prescription' => $prescription, 'until' => $until->toIso()];
        }

        return [
            'stages' => array_map(static fn(PlanStage $stage): array => $stage->toArray(), $this->stages),
            'resting' => $resting,
            'exercises' => array_values(array_map(static fn(Exercise $one): array => $one->toArray(), $this->exercises)),
        ];
    }
}
