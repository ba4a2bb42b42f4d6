<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Record\Participation;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;

/** A session of the stage with what is known of its answer, as the criteria of a gate look at it. */
final readonly class DoneSession
{
    public function __construct(
        public Session $session,
        /** The number of the local date on which it began. */
        public int $day,
        /** Worst pain in it, 0–10; null where none was reported. */
        public ?int $during,
        public bool $isJudged,
        public bool $isWellTolerated,
        /** Whether it was too much, or a stop. */
        public bool $isTooMuch,
        /** Whether its morning after has yet to come. */
        public bool $isPending,
    ) {}

    /** Whether it is sport, in full, and well tolerated. */
    public function isFullSport(): bool
    {
        return $this->isWellTolerated &&
            $this->session->kind === SessionKind::Sport &&
            $this->session->participation === Participation::Full;
    }
}
