<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Rung\Core\Papers\PaperKind;

/**
 * A paper about a case: its versions, who signed which of them, and what the athlete agreed to.
 *
 * @property PaperKind $kind
 * @property string $user_id who drafted it
 * @property CarbonImmutable $created_at
 * @property int|null $signed_version
 * @property string|null $signed_by
 * @property CarbonImmutable|null $signed_at
 * @property array{by: string, on: string, how: string, diagnosis: bool, recorded_by: string, recorded_at: string}|null $consent
 * @property CarbonImmutable|null $discarded_at
 * @property User $user
 * @property User|null $signer
 */
final class Paper extends CaseRecord
{
    protected $table = 'papers';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function signer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'signed_by');
    }

    /** @return HasMany<PaperVersion, $this> the newest first */
    public function versions(): HasMany
    {
        return $this->hasMany(PaperVersion::class, 'paper_id')->orderByDesc('number');
    }

    /** The version that was signed, or else the newest. */
    public function current(): PaperVersion
    {
        $versions = $this->versions();

        return ($this->signed_version === null
            ? $versions
            : $versions->where('number', $this->signed_version)
        )->firstOrFail();
    }

    /**
     * Why it must not leave the practice yet; null where it may.
     *
     * @param list<string> $diagnosis the words of the paper that give away the diagnosis, where that needs an agreement
     */
    public function obstacle(array $diagnosis): ?string
    {
        return match (true) {
            $this->discarded_at !== null => 'It was discarded.',
            $this->signed_version === null => 'It is a draft: sign it first.',
            $this->kind->needsConsent() && $this->consent === null
                => 'It goes to somebody outside: record first that the athlete agreed.',
            $this->isRefused()
                => 'The athlete does not agree to it any more (“The athlete’s data” on the case): it stays here until they do.',
            $diagnosis !== [] && !($this->consent['diagnosis'] ?? false) => 'It names the diagnosis (' .
                implode(', ', $diagnosis) .
                '), and the athlete has not agreed to that.',
            default => null,
        };
    }

    /** Whether the athlete takes letters of this kind back as a whole; a letter that was agreed to before stays too. */
    private function isRefused(): bool
    {
        $purpose = match ($this->kind) {
            PaperKind::Coach => ConsentPurpose::Coach,
            PaperKind::Referrer => ConsentPurpose::Referrer,
            default => null,
        };
        $athlete = $purpose === null ? null : CareCase::query()->whereKey($this->case_id)->value('athlete_id');

        return $purpose !== null && is_string($athlete) && Consent::isRefused($athlete, $purpose);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => PaperKind::class,
            'created_at' => 'immutable_datetime',
            'signed_at' => 'immutable_datetime',
            'discarded_at' => 'immutable_datetime',
            'consent' => 'array',
        ];
    }
}
