<?php

declare(strict_types=1);

namespace App\Care;

use InvalidArgumentException;
use Rung\Core\Time\Day;

/** What was asked and found when a case was opened, and has been kept up to date since. A case from a file knows none of it. */
final readonly class Intake
{
    /**
     * @param list<string> $found findings of the examination, by the keys that screening gives them
     * @param list<string> $risks in words
     * @param list<array<array-key, mixed>> $referralSigns signs that somebody went on with, and why
     * @param list<string> $trials what was tried in the room, in words
     * @param array<string, mixed> $rest what else was written down: the examination as it was typed, the proposed start
     */
    public function __construct(
        public ?Day $beganOn = null,
        public ?string $loadChange = null,
        public ?string $aggravating = null,
        public ?string $occupation = null,
        public ?string $medicines = null,
        public ?Day $seasonFrom = null,
        public ?Day $seasonUntil = null,
        public array $found = [],
        public array $risks = [],
        public array $referralSigns = [],
        public array $trials = [],
        public bool $isGrowthChecked = false,
        public ?string $screenedBy = null,
        public ?Day $screenedOn = null,
        public array $rest = [],
    ) {}

    /** @param array<array-key, mixed> $kept */
    public static function fromArray(array $kept): self
    {
        $text = static fn(string $field): ?string => is_string($kept[$field] ?? null) && trim($kept[$field]) !== ''
            ? trim($kept[$field])
            : null;
        $day = static fn(string $field): ?Day => self::day($text($field));
        $all = static fn(string $field): array => array_values(is_array($kept[$field] ?? null) ? $kept[$field] : []);
        $texts = static fn(string $field): array => array_values(array_filter($all($field), is_string(...)));
        $rest = array_filter(array_diff_key($kept, (new self())->toArray()), is_string(...), ARRAY_FILTER_USE_KEY);

        return new self(
            beganOn: $day('began_on'),
            loadChange: $text('load_change'),
            aggravating: $text('aggravating'),
            occupation: $text('occupation'),
            medicines: $text('medicines'),
            seasonFrom: $day('season_from'),
            seasonUntil: $day('season_until'),
            found: $texts('found'),
            risks: $texts('risks'),
            referralSigns: array_values(array_filter($all('referral_signs'), is_array(...))),
            trials: $texts('trials'),
            isGrowthChecked: ($kept['growth_checked'] ?? false) === true,
            screenedBy: $text('screened_by'),
            screenedOn: $day('screened_on'),
            rest: $rest,
        );
    }

    /** @param array<string, mixed> $changes by the names of the constructor; all else stays */
    public function with(array $changes): self
    {
        /** @phpstan-ignore argument.type (the names and types are the constructor's own) */
        return new self(...array_merge(get_object_vars($this), $changes));
    }

    /** @return array<string, mixed> as {@see fromArray} reads it, and as the pages show it */
    public function toArray(): array
    {
        return [
            'began_on' => $this->beganOn?->toIso(),
            'load_change' => $this->loadChange,
            'aggravating' => $this->aggravating,
            'occupation' => $this->occupation,
            'medicines' => $this->medicines,
            'season_from' => $this->seasonFrom?->toIso(),
            'season_until' => $this->seasonUntil?->toIso(),
            'found' => $this->found,
            'risks' => $this->risks,
            'referral_signs' => $this->referralSigns,
            'trials' => $this->trials,
            'growth_checked' => $this->isGrowthChecked,
            'screened_by' => $this->screenedBy,
            'screened_on' => $this->screenedOn?->toIso(),
        ] + $this->rest;
    }

    private static function day(?string $iso): ?Day
    {
        try {
            return $iso === null ? null : Day::fromIso($iso);
        } catch (InvalidArgumentException) {
            return null;
        }
    }
}
