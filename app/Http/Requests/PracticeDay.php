<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use App\Support\Clock;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Validation\ValidationRule;
use InvalidArgumentException;
use Rung\Core\Time\Day;

/** A day that lies where it may, seen from today in the zone of the practice of whoever asks. */
final readonly class PracticeDay implements ValidationRule
{
    /** Days ahead for which something can be arranged. */
    private const DAYS_AHEAD = 366;

    /** @param Closure(Day, Day): bool $fits the day, and today */
    private function __construct(private Closure $fits, private string $message) {}

    public static function ahead(): self
    {
        return new self(
            static fn(Day $day, Day $today): bool => !$today->isAfter($day) &&
                !$day->isAfter($today->plus(self::DAYS_AHEAD)),
            'Choose a day from today on, within a year.',
        );
    }

    public static function untilToday(): self
    {
        return new self(
            static fn(Day $day, Day $today): bool => !$day->isAfter($today),
            'The day must not lie in the future.',
        );
    }

    /** @param Closure(string): mixed $fail */
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $person = request()->user();
        if (!($person instanceof User)) {
            throw new AuthenticationException();
        }
        try {
            $fits = ($this->fits)(
                Day::fromIso(is_string($value) ? $value : ''),
                Clock::today($person->practice->timezone),
            );
        } catch (InvalidArgumentException) {
            $fits = false;
        }
        if (!$fits) {
            $fail($this->message);
        }
    }
}
