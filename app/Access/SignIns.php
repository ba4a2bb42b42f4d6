<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Account;
use App\Models\User;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The sign-ins of an account that are open, on whatever device and in whatever practice. */
final class SignIns
{
    /** Hours after which staff sign in again, however much they do. */
    public const STAFF_HOURS = 12;

    public const SINCE = 'signed_in_at';

    public function __construct(private readonly CurrentPractice $practice) {}

    /** @return list<array{id: string, device: string, place: string|null, last: string, current: bool}> the latest first */
    public function forAccount(Account $account, string $current, string $zone): array
    {
        return array_map(
            static fn(stdClass $row): array => [
                // A name for it, not the id itself: with that another could go on in its place.
                'id' => self::name(self::text($row, 'id')),
                'device' => Device::words(self::text($row, 'user_agent')),
                'place' => self::text($row, 'ip_address') === '' ? null : self::text($row, 'ip_address'),
                'last' => CarbonImmutable::createFromTimestamp(
                    is_int($row->last_activity) ? $row->last_activity : 0,
                    $zone,
                )->toIso8601String(),
                'current' => self::text($row, 'id') === $current,
            ],
            $this->rows($account),
        );
    }

    /** Ends one of them; false where there is none of that name. */
    public function end(Account $account, string $name): bool
    {
        foreach ($this->rows($account) as $row) {
            if (hash_equals(self::name(self::text($row, 'id')), $name)) {
                return DB::table('sessions')->where('id', $row->id)->delete() === 1;
            }
        }

        return false;
    }

    /** Ends all but the present one: the password was changed, or a second factor set up. */
    public function endOthers(Account $account, ?string $current): void
    {
        $this->query($account)
            ->when($current !== null, static fn($query) => $query->where('id', '<>', $current))
            ->delete();
    }

    /** @return list<stdClass> */
    private function rows(Account $account): array
    {
        return array_values($this->query($account)->orderByDesc('last_activity')->limit(100)->get()->all());
    }

    private function query(Account $account): Builder
    {
        $people = $this->practice->across(
            static fn(): array => User::query()->where('account_id', $account->id)->pluck('id')->all(),
        );

        return DB::table('sessions')->whereIn('user_id', $people);
    }

    private static function name(string $session): string
    {
        return substr(hash('sha256', "sign-in $session"), 0, 24);
    }

    private static function text(stdClass $row, string $column): string
    {
        $value = $row->{$column} ?? null;

        return is_string($value) ? $value : '';
    }
}
