<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property CarbonImmutable $at
 * @property string|null $user_id null where the plan itself let something begin
 * @property string $kind
 * @property string $words
 * @property string|null $reason
 * @property array<string, mixed> $evidence
 * @property int $plan_version
 * @property array<string, mixed>|null $undo what takes it back; null where it cannot be
 * @property string|null $undoes the decision that this one took back
 * @property User|null $user
 */
final class Decision extends CaseRecord
{
    protected $table = 'decisions';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Who decided it. */
    public function by(): string
    {
        return $this->user->name ?? 'The plan';
    }

    /** Whether it closed the case. */
    public function closes(): bool
    {
        $case = $this->undo['case'] ?? null;

        return is_array($case) && array_key_exists('closed_on', $case) && $case['closed_on'] === null;
    }

    /**
     * The decision that closed each case.
     *
     * @param list<string> $cases ids
     *
     * @return array<string, self> by the id of the case
     */
    public static function closing(array $cases): array
    {
        $closing = [];
        foreach (
            self::query()
                ->whereIn('case_id', $cases)
                ->whereIn('kind', ['accept', 'close'])
                ->with('user')
                ->orderBy('at')
                ->orderBy('id')
                ->get()
                ->all()
            as $decision
        ) {
            if ($decision->closes()) {
                $closing[$decision->case_id] = $decision;
            }
        }

        return $closing;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime', 'evidence' => 'array', 'undo' => 'array'];
    }
}
