<?php

declare(strict_types=1);

namespace Rung\Core\CaseFile;

use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Record;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\SignOff;
use Rung\Core\Record\StageEntry;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/** One episode of care, whole (docs/formats/case-file.md). */
final readonly class CaseFile
{
    public const FORMAT = 'rung-case/1';

    /**
     * @param list<Stage> $stages
     * @param list<StageEntry> $stage_history dates strictly rising
     * @param list<PlannedSession> $planned
     * @param list<Session> $sessions
     * @param list<CheckIn> $check_ins
     * @param list<StrengthTest> $tests
     * @param list<Outcome> $outcomes
     * @param list<SignOff> $sign_offs
     * @param list<Review> $reviews
     * @param list<DoseChange> $dose_changes
     */
    public function __construct(
        public Zone $timezone,
        public Athlete $athlete,
        public Details $case,
        public ResponseRule $response_rule,
        public array $stages,
        public array $stage_history,
        public array $planned = [],
        public array $sessions = [],
        public array $check_ins = [],
        public array $tests = [],
        public array $outcomes = [],
        public array $sign_offs = [],
        public array $reviews = [],
        public array $dose_changes = [],
    ) {}

    /** @throws InvalidInput with every fault of the text */
    public static function fromJson(string $json): self
    {
        return CaseFileReader::fromJson($json);
    }

    /** The same log, judged by another school's limits. */
    public function underRule(ResponseRule $rule): self
    {
        return $this->with(['response_rule' => $rule]);
    }

    /** @param array<string, mixed> $changes by the names of the constructor's parameters */
    public function with(array $changes): self
    {
        /** @phpstan-ignore argument.type (the names are the constructor's own) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    public function stage(string $key): ?Stage
    {
        foreach ($this->stages as $stage) {
            if ($stage->key === $key) {
                return $stage;
            }
        }

        return null;
    }

    /** @return array<string, Prescription> of all stages, by key */
    public function prescriptions(): array
    {
        $byKey = [];
        foreach ($this->stages as $stage) {
            foreach ($stage->prescriptions as $prescription) {
                $byKey[$prescription->key] = $prescription;
            }
        }

        return $byKey;
    }

    /** The newest moment of the file: the ends of sessions and all that is dated by a moment. */
    public function newestMoment(): ?Moment
    {
        $newest = null;
        $moments = array_merge(
            array_column($this->sessions, 'ended_at'),
            array_column($this->check_ins, 'at'),
            array_column($this->reviews, 'at'),
            array_column($this->dose_changes, 'at'),
        );
        foreach ($moments as $moment) {
            if ($newest === null || $moment->after($newest)) {
                $newest = $moment;
            }
        }

        return $newest;
    }

    /** @return array<string, mixed> as it stands in the file */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'timezone' => $this->timezone->name(),
            'athlete' => Record::toArray($this->athlete),
            'case' => Record::toArray($this->case),
            'response_rule' => $this->response_rule->toArray(),
            'stages' => array_map(static fn(Stage $stage): array => $stage->toArray(), $this->stages),
            'stage_history' => Record::each($this->stage_history),
            'planned' => Record::each($this->planned),
            'sessions' => Record::each($this->sessions),
            'check_ins' => Record::each($this->check_ins),
            'tests' => Record::each($this->tests),
            'outcomes' => Record::each($this->outcomes),
            'sign_offs' => Record::each($this->sign_offs),
            'reviews' => Record::each($this->reviews),
            'dose_changes' => Record::each($this->dose_changes),
        ];
    }
}
