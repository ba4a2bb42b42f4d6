<?php

declare(strict_types=1);

namespace Rung\Core\Start;

/** Where on the ladder of a stage to begin. */
enum RungLevel: string
{
    case Easiest = 'easiest';
    case Middle = 'middle';

    /** The rung that the programme itself names. */
    case Usual = 'usual';

    public function easier(): self
    {
        return $this === self::Usual ? self::Middle : self::Easiest;
    }
}
