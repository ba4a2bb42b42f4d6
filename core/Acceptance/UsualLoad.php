<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Response\Log;

/**
 * Between which weights or minutes what an athlete types is taken without asking back: a slip of the finger is asked about,
 * and never refused for being unusual (docs/rules.md, "What is typed").
 */
final readonly class UsualLoad
{
    /** Kilograms around the usual weight that are never asked about. */
    private const NEAR_KG = 5;

    /** Minutes around the usual practice that are never asked about. */
    private const NEAR_MIN = 30;

    /** Practices that the usual one is found from. */
    private const PRACTICES = 5;

    /** Minutes of practice that are not asked about where none was logged yet. */
    private const FIRST_PRACTICE_MIN = 180;

    private function __construct(
        public int|float $from,
        public int|float $to,
        /** What is usual; null where nothing was lifted or practised yet. */
        public int|float|null $usual,
    ) {}

    /** In kilograms: around what is asked, else what was lifted last; before that up to twice the body mass. */
    public static function forPrescription(
        Prescription $prescription,
        ?NextLoad $next,
        int|float|null $bodyMassKg,
    ): ?self {
        $usual = $prescription->dose->load_kg ?? $next?->kg;
        if ($usual === null) {
            return $bodyMassKg === null ? null : new self(0, 2 * $bodyMassKg, null);
        }

        return new self(
            max(0, min($usual / 2, $usual - self::NEAR_KG)),
            max(2 * $usual, $usual + self::NEAR_KG),
            $usual,
        );
    }

    /** In minutes: around the middle one of the latest practices. */
    public static function ofPractice(Log $log): self
    {
        $minutes = array_slice(
            array_values(
                array_filter(
                    array_column($log->ended, 'minutes'),
                    static fn(int|float|null $length): bool => $length !== null && $length > 0,
                ),
            ),
            -self::PRACTICES,
        );
        if ($minutes === []) {
            return new self(0, self::FIRST_PRACTICE_MIN, null);
        }
        sort($minutes);
        $usual = $minutes[intdiv(count($minutes), 2)];

        return new self(0, max(2 * $usual, $usual + self::NEAR_MIN), Number::tenth($usual));
    }

    /** @return array{from: int|float, to: int|float, usual: int|float|null} */
    public function toArray(): array
    {
        return [
            'from' => Number::hundredth($this->from),
            'to' => Number::hundredth($this->to),
            'usual' => $this->usual,
        ];
    }
}
