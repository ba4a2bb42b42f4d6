<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Rung\Core\Time\Moment;
use Throwable;

/** Puts right what a phone with a wrong clock says, by the moment that it took for now when it sent. */
final readonly class PhoneClock
{
    public const HEADER = 'X-Phone-Clock';

    /** Seconds by which a clock may be off, or a request under way, before anything is moved. */
    private const TOLERATED_S = 120;

    private function __construct(private int $aheadS) {}

    public static function of(Request $request): self
    {
        try {
            $told = $request->header(self::HEADER);
            $ahead = is_string($told) ? (int) CarbonImmutable::now()->diffInSeconds(CarbonImmutable::parse($told)) : 0;
        } catch (Throwable) {
            $ahead = 0;
        }

        return new self(abs($ahead) > self::TOLERATED_S ? $ahead : 0);
    }

    /** The same moment by a right clock, its offset kept. */
    public function right(Moment $moment): Moment
    {
        return $this->aheadS === 0 ? $moment : Moment::of(CarbonImmutable::instance($moment->toDateTime())->subSeconds($this->aheadS));
    }
}
