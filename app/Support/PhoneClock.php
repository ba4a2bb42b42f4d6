<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use InvalidArgumentException;
use Rung\Core\Time\Moment;

/** Puts right what a phone with a wrong clock says, by the moment that it took for now when it sent. */
final readonly class PhoneClock
{
    public const HEADER = 'X-Phone-Clock';

    /** Seconds by which a clock may be off, or a request under way, before anything is moved. */
    private const TOLERATED_S = 120;

    private function __construct(private int $aheadS) {}

    /** @throws ValidationException where the phone does not say a moment */
    public static function fromRequest(Request $request): self
    {
        $phoneTime = $request->header(self::HEADER);
        try {
            $moment = is_string($phoneTime) ? Moment::fromIso($phoneTime) : null;
        } catch (InvalidArgumentException $problem) {
            throw ValidationException::withMessages([self::HEADER => "The phone's clock {$problem->getMessage()}."]);
        }
        $ahead = $moment === null ? 0 : intdiv($moment->micros, 1_000_000) - CarbonImmutable::now()->getTimestamp();

        return new self(abs($ahead) > self::TOLERATED_S ? $ahead : 0);
    }

    /** The same moment by a right clock, its offset kept. */
    public function right(Moment $moment): Moment
    {
        return $this->aheadS === 0
            ? $moment
            : Moment::fromDateTime(CarbonImmutable::instance($moment->toDateTime())->subSeconds($this->aheadS));
    }
}
