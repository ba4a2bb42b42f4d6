<?php

declare(strict_types=1);

namespace Rung\Core\Response;

/** The judgement of one session by its 24-hour response, worst first. */
enum Verdict: string
{
    case Stop = 'stop';
    case Over = 'over';
    case Pending = 'pending';
    case Unanswered = 'unanswered';
    case Watch = 'watch';
    case Under = 'under';
    case Settled = 'settled';

    public function isJudged(): bool
    {
        return $this !== self::Pending && $this !== self::Unanswered;
    }

    public function isWellTolerated(): bool
    {
        return $this === self::Settled || $this === self::Under;
    }

    /** 0 for the mildest; higher is worse. */
    public function severity(): int
    {
        return match ($this) {
            self::Stop => 4,
            self::Over => 3,
            self::Watch => 2,
            self::Under => 1,
            self::Settled, self::Pending, self::Unanswered => 0,
        };
    }
}
