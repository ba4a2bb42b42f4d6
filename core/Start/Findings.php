<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Record\Irritability;

/** What was found at intake; null where unknown. */
final readonly class Findings
{
    private const HIGH = ['rest' => 4, 'test' => 6, 'settle' => 1440, 'stiffness' => 60];

    private const LOW = ['rest' => 1, 'test' => 3, 'settle' => 60, 'stiffness' => 15];

    private const BLOCKING_PAIN = 8;

    public function __construct(
        /** Pain at rest, 0–10. */
        public ?int $rest,
        /** Score of the provocation test, 0–10. */
        public ?int $test,
        /** Minutes to settle after usual activity. */
        public int|float|null $settle,
        /** Minutes of morning stiffness. */
        public int|float|null $stiffness,
        public int|float|null $symmetryPercent,
        public int|float $trainingDaysPerWeek,
    ) {}

    public function irritability(): Irritability
    {
        $known = $this->known();

        return match (true) {
            count($known) < 2 => Irritability::Unknown,
            $this->high() !== [] => Irritability::High,
            $this->notLow() === [] => Irritability::Low,
            default => Irritability::Medium,
        };
    }

    /** @return list<Measure> the measures that made the irritability what it is */
    public function reasons(): array
    {
        return match ($this->irritability()) {
            Irritability::High => $this->high(),
            Irritability::Medium => $this->notLow(),
            Irritability::Low, Irritability::Unknown => [],
        };
    }

    /** Whether pain alone forbids a start. */
    public function forbidStart(): bool
    {
        return max($this->rest ?? 0, $this->test ?? 0) >= self::BLOCKING_PAIN;
    }

    public function trainsThreeDays(): bool
    {
        return $this->trainingDaysPerWeek >= 3;
    }

    /** @return list<Measure> */
    private function high(): array
    {
        return $this->that(
            static fn(string $measure, int|float $value): bool => \Rung\Core\Number::atLeast(
                $value,
                self::HIGH[$measure],
            ),
        );
    }

    /** @return list<Measure> */
    private function notLow(): array
    {
        return $this->that(
            static fn(string $measure, int|float $value): bool => \Rung\Core\Number::over($value, self::LOW[$measure]),
        );
    }

    /**
     * @param callable(string, int|float): bool $check
     *
     * @return list<Measure>
     */
    private function that(callable $check): array
    {
        $found = [];
        foreach ($this->known() as $measure => $value) {
            if ($check($measure, $value)) {
                $found[] = Measure::from($measure);
            }
        }

        return $found;
    }

    /** @return array<string, int|float> */
    private function known(): array
    {
        return array_filter(
            [
                'rest' => $this->rest,
                'test' => $this->test,
                'settle' => $this->settle,
                'stiffness' => $this->stiffness,
            ],
            static fn(int|float|null $value): bool => $value !== null,
        );
    }
}
