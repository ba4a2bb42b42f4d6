<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Prescribe\DoseSense;
use Rung\Core\Prescribe\StageDraft;
use Rung\Core\Record\Side;

/** A stage as a practitioner prescribes it, previewed or saved. */
final readonly class PlanData
{
    private const LONGEST = 1000;

    private function __construct(
        public StageDraft $draft,
        /** The revision of the case that the practitioner was looking at. */
        public int $revision,
        /** What changes, as the athlete reads it; null: as it is written by itself. */
        public ?string $note,
        /** Why, for the record and the athlete. */
        public string $why,
    ) {}

    public static function read(ObjectNode $node, CareCase $case, Plan $plan, CatalogueShelf $shelf, bool $saving): self
    {
        $draft = StageDraft::read(
            $node,
            $plan,
            $shelf->forCase($case, $plan),
            $case->weekdays($plan),
            Clock::today($case->practice->timezone),
            $case->athlete->body_mass_kg,
            $case->side === Side::Both->value,
        );
        foreach ($draft->stage->stage->prescriptions as $i => $prescription) {
            foreach (DoseSense::faults($prescription->dose) as $field => $message) {
                $node->inItem("prescriptions/$i/dose/$field", $message);
            }
        }
        $note = trim($node->textOrNull('note') ?? '');
        $why = trim($node->textOrNull('why') ?? '');
        if ($saving && $why === '') {
            $node->fault('why', 'is needed: say why, for the record and the athlete');
        }
        foreach (['note' => $note, 'why' => $why] as $field => $text) {
            if (mb_strlen($text) > self::LONGEST) {
                $node->fault($field, 'must not be longer than ' . self::LONGEST . ' letters');
            }
        }

        return new self(
            $draft,
            $saving ? $node->whole('revision') : $node->wholeOrNull('revision') ?? 0,
            $note === '' ? null : $note,
            $why,
        );
    }
}
