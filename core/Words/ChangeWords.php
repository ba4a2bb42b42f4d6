<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Acceptance\ChangeNoteKind;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Catalogue\Titles;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Time\TimeWords;

/** What a decision does to a plan, in words fit for the record and the athlete. */
final readonly class ChangeWords
{
    public function __construct(private Titles $titles) {}

    /** All of a step, empty where nothing changes. */
    public function step(PlanStep $step): string
    {
        return $this->notes($step->notes);
    }

    /** @param list<ChangeNote> $notes */
    public function notes(array $notes): string
    {
        return implode('; ', array_map($this->note(...), $notes));
    }

    public function note(ChangeNote $note): string
    {
        $title = $this->title($note->before ?? $note->after);
        $until = $note->until === null ? '' : TimeWords::day($note->until);

        return match ($note->kind) {
            ChangeNoteKind::Changed => $this->changed($note),
            ChangeNoteKind::LoadCarried => "$title: " .
                Number::clean($note->after?->dose->load_kg ?? 0) .
                ' kg, as lifted',
            ChangeNoteKind::Added => "Added: {$this->title($note->after)}, " . self::dose($note->after),
            ChangeNoteKind::Begins => "Begins now: {$this->title($note->after)}, " .
                self::dose($note->after) .
                ($note->startsWhen === null ? '' : ', ' . PlanWords::hasCome($note->startsWhen, $this->titles)),
            ChangeNoteKind::Unchanged => "$title stays as it is.",
            ChangeNoteKind::LowerEnd => "$title: the next session asks for the lower end, " .
                self::dose($note->before) .
                '.',
            ChangeNoteKind::TopOfLadder => "$title is the top of its ladder: choose what is next by hand.",
            ChangeNoteKind::StageBefore => "$title has no easier rung: back to the stage before.",
            ChangeNoteKind::Rests => "$title rests for $note->days days, then is tried again.",
            ChangeNoteKind::HoldsOnly => "Holds only until $until",
            ChangeNoteKind::NoLoading => "No loading until $until",
            ChangeNoteKind::KeptUp => 'Finished: the doses are kept up ' .
                ($note->perWeek === 1 ? 'once' : 'twice') .
                " a week until $until",
        };
    }

    private function changed(ChangeNote $note): string
    {
        [$before, $after] = [$note->before, $note->after];
        if ($before === null || $after === null) {
            return '';
        }

        return $after->exercise === $before->exercise
            ? $this->title($before) . ': ' . DoseWords::difference($before, $after)
            : $this->title($before) . ' → ' . $this->title($after) . ', ' . DoseWords::describe($after);
    }

    private function title(?Prescription $prescription): string
    {
        return $prescription === null ? '' : $this->titles->titleOf($prescription->exercise);
    }

    private static function dose(?Prescription $prescription): string
    {
        return $prescription === null ? '' : DoseWords::describe($prescription);
    }
}
