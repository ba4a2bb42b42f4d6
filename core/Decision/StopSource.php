<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Session;
use Rung\Core\Record\Sign;
use Rung\Core\Response\Log;
use Rung\Core\Response\StopSigns;
use Rung\Core\Time\Moment;

/** A session or check-in that asks for a stop, and whether a practitioner has cleared it. */
final readonly class StopSource
{
    /** @param list<Sign> $signs */
    private function __construct(
        public string $id,
        public Moment $began,
        public array $signs,
        /** Pain or test score, 0–10. */
        public ?int $level,
        /** The latest review that cleared it; null where none did. */
        public ?Moment $reviewed,
    ) {}

    public function isCleared(): bool
    {
        return $this->reviewed !== null;
    }

    /** @return list<self> of the whole case, sessions first */
    public static function all(Log $log): array
    {
        $stopAt = $log->file->response_rule->stop_at;
        /** @var list<array{Session|CheckIn, Moment, ?int}> $records */
        $records = [];
        foreach ($log->started as $session) {
            $records[] = [$session, $session->started_at, $session->during()];
        }
        foreach ($log->checkIns as $checkIn) {
            $records[] = [$checkIn, $checkIn->at, $checkIn->provocation];
        }
        $reviews = [];
        foreach ($log->reviews as $review) {
            $reviews[$review->clears][] = $review->at;
        }
        $sources = [];
        foreach ($records as [$record, $began, $level]) {
            $signs = StopSigns::among($record->signs ?? []);
            if ($signs !== [] || ($level !== null && $level >= $stopAt)) {
                $sources[] = new self(
                    $record->id,
                    $began,
                    $signs,
                    $level,
                    self::reviewed($reviews[$record->id] ?? [], $began),
                );
            }
        }

        return $sources;
    }

    /** @param list<Moment> $reviews of the source */
    private static function reviewed(array $reviews, Moment $began): ?Moment
    {
        $latest = null;
        foreach ($reviews as $at) {
            if (!$began->after($at) && ($latest === null || $at->after($latest))) {
                $latest = $at;
            }
        }

        return $latest;
    }
}
