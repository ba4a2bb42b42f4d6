<?php

declare(strict_types=1);

namespace App\Models\Casts;

use App\Care\Advice;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Input\Json;
use Rung\Core\Time\Day;

/**
 * A column that holds a list of days, of days of the week, of expected sport or of advice. What it was before, as an undo
 * keeps it, may be set as it is stored.
 *
 * @implements CastsAttributes<list<Day|Weekday|ExpectedSport|Advice>, list<Day|Weekday|ExpectedSport|Advice|string|array<string, mixed>>>
 */
final class KeptList implements CastsAttributes
{
    /** @param class-string<Day>|class-string<Weekday>|class-string<ExpectedSport>|class-string<Advice> $class of each item */
    public function __construct(private readonly string $class) {}

    /**
     * @param array<string, mixed> $attributes
     *
     * @return list<Day|Weekday|ExpectedSport|Advice>
     */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $kept = is_string($value) ? json_decode($value, true, flags: JSON_THROW_ON_ERROR) : [];

        return array_map($this->read(...), array_values((array) $kept));
    }

    /** @param array<string, mixed> $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        if (!is_array($value)) {
            throw new InvalidArgumentException("$key takes a list of $this->class");
        }
        $items = array_map(
            fn(mixed $item): Day|Weekday|ExpectedSport|Advice => $item instanceof $this->class
                ? $item
                : $this->read($item),
            array_values($value),
        );

        return json_encode(array_map(self::write(...), $items), JSON_THROW_ON_ERROR);
    }

    private function read(mixed $kept): Day|Weekday|ExpectedSport|Advice
    {
        return match (true) {
            $this->class === ExpectedSport::class && is_array($kept) => Json::read(
                json_encode($kept, JSON_THROW_ON_ERROR),
                ExpectedSport::read(...),
            ),
            $this->class === Advice::class && is_array($kept) => Advice::fromArray($kept),
            $this->class === Day::class && is_string($kept) => Day::fromIso($kept),
            $this->class === Weekday::class && is_string($kept) => Weekday::from($kept),
            default => throw new InvalidArgumentException('cannot be read as a ' . $this->class),
        };
    }

    /** @return string|array<string, mixed> */
    private static function write(Day|Weekday|ExpectedSport|Advice $item): string|array
    {
        return match (true) {
            $item instanceof Day => $item->toIso(),
            $item instanceof Weekday => $item->value,
            default => $item->toArray(),
        };
    }
}
