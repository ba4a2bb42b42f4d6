<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\ShareKind;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * A case that somebody shares with a colleague.
 *
 * @extends Factory<CaseShare>
 */
final class CaseShareFactory extends Factory
{
    protected $model = CaseShare::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['kind' => ShareKind::Shared, 'at' => CarbonImmutable::now()];
    }

    public function inCase(CareCase $case): static
    {
        return $this->state(['practice_id' => $case->practice_id, 'case_id' => $case->id]);
    }

    public function between(User $giver, User $colleague): static
    {
        return $this->state(['user_id' => $colleague->id, 'by' => $giver->id]);
    }

    /** Not given: the colleague opened it for a reason. */
    public function opened(): static
    {
        return $this->state(['kind' => ShareKind::Opened]);
    }
}
