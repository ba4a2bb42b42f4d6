<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\CareCase;
use App\Models\Import;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * A sheet of mornings that was imported and held nothing new.
 *
 * @extends Factory<Import>
 */
final class ImportFactory extends Factory
{
    protected $model = Import::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['kind' => 'mornings', 'entries' => 0, 'at' => CarbonImmutable::now()];
    }

    public function inCase(CareCase $case): static
    {
        return $this->state(['practice_id' => $case->practice_id, 'case_id' => $case->id]);
    }

    public function by(User $user): static
    {
        return $this->state(['user_id' => $user->id]);
    }
}
