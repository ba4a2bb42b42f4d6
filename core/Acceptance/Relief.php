<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Exercise;

/** One thing that may help at once where an exercise hurts more than its limit (docs/rules.md, "Over the limit in a session"). */
final readonly class Relief
{
    private function __construct(public ReliefKind $kind, public ?Exercise $exercise = null) {}

    /** @return list<self> what can be offered for an exercise, the smallest change first */
    public static function forPrescription(Prescription $prescription, Catalogue $catalogue): array
    {
        $easier = $catalogue->exercises[$prescription->rung(-1) ?? ''] ?? null;

        return array_values(
            array_filter([
                match ($prescription->mode) {
                    Mode::Isotonic, Mode::Eccentric, Mode::Control, Mode::Mobility => new self(
                        ReliefKind::ShorterRange,
                    ),
                    Mode::Isometric => new self(ReliefKind::LessHard),
                    default => null,
                },
                $prescription->dose->sets > 1 ? new self(ReliefKind::FewerSets) : null,
                $easier === null ? null : new self(ReliefKind::EasierRung, $easier),
                new self(ReliefKind::LeaveOut),
            ]),
        );
    }
}
