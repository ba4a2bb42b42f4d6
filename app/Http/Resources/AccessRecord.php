<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\AccessKind;
use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\Role;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;
use InvalidArgumentException;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** A page of the record of who saw and changed what, the newest first, narrowed to a person, an athlete, a kind or some days. */
final class AccessRecord
{
    public const LINES = 50;

    /** @param array<array-key, mixed> $asked */
    public function __construct(private readonly string $zone, private readonly array $asked) {}

    /**
     * @return array{lines: list<array<string, mixed>>, next: int|null}
     *
     * @throws InvalidInput
     */
    public function page(): array
    {
        $query = $this->narrowed()->limit(self::LINES + 1);
        if ($this->text('before') !== '') {
            $query->where(
                'id',
                '<',
                ctype_digit($this->text('before')) && strlen($this->text('before')) < 19
                    ? (int) $this->text('before')
                    : throw InvalidInput::at(
                        '/before',
                        'must be the `next` of the page before; begin again at the first page',
                    ),
            );
        }
        $entries = array_values($query->get()->all());
        $lines = array_slice($entries, 0, self::LINES);

        return [
            'lines' => $this->lines($lines),
            'next' => count($entries) > self::LINES ? $lines[self::LINES - 1]->id : null,
        ];
    }

    /**
     * @return Builder<AccessLogEntry>
     *
     * @throws InvalidInput
     */
    public function narrowed(): Builder
    {
        $query = AccessLogEntry::query()
            ->with(['user', 'athlete'])
            ->orderByDesc('id');
        if ($this->text('person') !== '') {
            $query->where('user_id', $this->uuid('person'));
        }
        if ($this->text('athlete') !== '') {
            $athlete = $this->uuid('athlete');
            $cases = CareCase::query()->where('athlete_id', $athlete)->pluck('id')->all();
            $query->where(static function (Builder $of) use ($athlete, $cases): void {
                $of->where('athlete_id', $athlete);
                foreach ($cases as $case) {
                    $of->orWhereJsonContains('cases', $case);
                }
            });
        }
        if ($this->text('kind') !== '') {
            $query->where(
                'kind',
                AccessKind::tryFrom($this->text('kind')) ??
                    throw InvalidInput::at('/kind', 'must be one of those that are offered'),
            );
        }
        if ($this->text('from') !== '') {
            $query->where('at', '>=', $this->startOf($this->day('from')));
        }
        if ($this->text('until') !== '') {
            $query->where('at', '<', $this->startOf($this->day('until')->plus(1)));
        }

        return $query;
    }

    /**
     * @param list<AccessLogEntry> $entries
     *
     * @return list<array{id: int, at: string, person: string, role: string, kind: string, what: string, athletes: list<string>, details: string|null}>
     */
    public function lines(array $entries): array
    {
        $names = self::athletes(
            array_values(
                array_unique(
                    array_merge([], ...array_map(static fn(AccessLogEntry $entry): array => $entry->cases, $entries)),
                ),
            ),
        );

        return array_map(
            fn(AccessLogEntry $entry): array => [
                'id' => $entry->id,
                'at' => $entry->at->setTimezone($this->zone)->toIso8601String(),
                'person' => $entry->user->name ?? 'somebody who was erased',
                'role' => ($entry->user->role ?? Role::Athlete)->title(),
                'kind' => $entry->kind->value,
                'what' => $entry->what,
                'athletes' => self::namesOf($entry, $names),
                'details' =>
                    $entry->details === null
                        ? null
                        : json_encode($entry->details, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            ],
            $entries,
        );
    }

    /**
     * @param array<string, string> $names by case
     *
     * @return list<string>
     */
    private static function namesOf(AccessLogEntry $entry, array $names): array
    {
        $of = array_values(
            array_unique(
                array_filter(array_map(static fn(string $case): ?string => $names[$case] ?? null, $entry->cases)),
            ),
        );

        return $of === [] && $entry->athlete !== null ? [$entry->athlete->name] : $of;
    }

    /**
     * @param list<string> $cases
     *
     * @return array<string, string> names by case
     */
    private static function athletes(array $cases): array
    {
        return app(CurrentPractice::class)->onEveryCase(
            static fn(): array => CareCase::query()
                ->whereIn('id', $cases)
                ->with('athlete')
                ->get()
                ->mapWithKeys(static fn(CareCase $case): array => [$case->id => $case->athlete->name])
                ->all(),
        );
    }

    private function text(string $field): string
    {
        $value = $this->asked[$field] ?? null;

        return is_string($value) ? $value : '';
    }

    /** @throws InvalidInput */
    private function uuid(string $field): string
    {
        return Str::isUuid($this->text($field))
            ? $this->text($field)
            : throw InvalidInput::at("/$field", 'must be one of those that are offered');
    }

    private function startOf(Day $day): CarbonImmutable
    {
        return CarbonImmutable::parse($day->toIso(), $this->zone)->utc();
    }

    /** @throws InvalidInput */
    private function day(string $field): Day
    {
        try {
            return Day::fromIso($this->text($field));
        } catch (InvalidArgumentException) {
            throw InvalidInput::at("/$field", 'must be a day, such as 2026-04-14');
        }
    }
}
