<?php

declare(strict_types=1);

namespace Rung\Core\Table;

/** What a spreadsheet holds, and which columns say it. */
enum SheetKind: string
{
    case Mornings = 'mornings';
    case Exercises = 'exercises';
    case Practice = 'practice';
    case Tests = 'tests';

    /** @return list<SheetField> in the order in which they are asked for */
    public function fields(): array
    {
        $on = new SheetField('on', 'Day', true, ['day', 'date', 'on', 'at', 'started_at', 'when']);
        $pain = new SheetField('pain', 'Worst pain, 0–10', false, [
            'pain',
            'worst_pain',
            'exercise_pain',
            'nrs',
            'score',
        ]);
        $notes = new SheetField('notes', 'Notes', false, ['notes', 'note', 'remarks', 'comment', 'comments']);

        return match ($this) {
            self::Mornings => [
                $on,
                new SheetField('provocation', 'Morning test, 0–10', true, [
                    'provocation',
                    'test',
                    'score',
                    'morning test',
                    'pain',
                    'morning',
                ]),
                new SheetField('stiffness_min', 'Stiffness, minutes', false, [
                    'stiffness_min',
                    'stiffness',
                    'stiff',
                    'minutes',
                ]),
                $notes,
            ],
            self::Exercises => [
                $on,
                new SheetField('exercise', 'Exercise', true, ['exercise', 'movement', 'prescription', 'what']),
                new SheetField('sets', 'Sets', false, ['sets', 'number of sets']),
                new SheetField('reps', 'Repetitions', false, ['reps', 'repetitions', 'rep']),
                new SheetField('hold_s', 'Hold, seconds', false, ['hold_s', 'hold', 'seconds']),
                new SheetField('load_kg', 'Load, kg', false, ['load_kg', 'load', 'kg', 'weight']),
                $pain,
            ],
            self::Practice => [
                $on,
                new SheetField('minutes', 'Minutes', true, ['minutes', 'min', 'duration', 'length']),
                new SheetField('effort', 'Effort, 0–10', false, ['effort', 'rpe', 'intensity']),
                $pain,
                new SheetField('notes', 'What it was', false, [
                    'notes',
                    'note',
                    'what',
                    'activity',
                    'practice',
                    'sport',
                ]),
            ],
            self::Tests => [
                $on,
                new SheetField('measure', 'Measure', true, ['measure', 'test', 'what', 'name']),
                new SheetField('affected', 'Sore side, or the one value', true, [
                    'affected',
                    'sore',
                    'sore side',
                    'value',
                    'injured',
                    'score',
                ]),
                new SheetField('unaffected', 'Other side', false, [
                    'unaffected',
                    'other',
                    'other side',
                    'healthy',
                    'uninjured',
                ]),
            ],
        };
    }
}
