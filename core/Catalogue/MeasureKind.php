<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

/** How a measure is taken, which says what is entered of a try. */
enum MeasureKind: string
{
    /** A force in newtons, by gauge or read from one. */
    case Force = 'force';
    /** A load, its repetitions and those left in reserve; the maximum is worked out. */
    case RepetitionMaximum = 'repetition_maximum';
    /** Repetitions to a standard. */
    case Count = 'count';
    /** Seconds held. */
    case Hold = 'hold';
    /** Degrees or centimetres of movement. */
    case Range = 'range';
    /** Centimetres hopped or reached. */
    case Distance = 'distance';
    /** Minutes, as the athlete reports them. */
    case Minutes = 'minutes';
    /** A sum of a questionnaire; what it asks is not part of Rung. */
    case Score = 'score';

    /** Whether taking it loads the tissue: not under a stop. */
    public function loads(): bool
    {
        return match ($this) {
            self::Force, self::RepetitionMaximum, self::Count, self::Hold, self::Distance => true,
            self::Range, self::Minutes, self::Score => false,
        };
    }
}
