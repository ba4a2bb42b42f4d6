<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Cover;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * A week in which somebody stands in for a colleague.
 *
 * @extends Factory<Cover>
 */
final class CoverFactory extends Factory
{
    protected $model = Cover::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        $now = CarbonImmutable::now();

        return ['from' => $now->toDateString(), 'until' => $now->addDays(6)->toDateString(), 'at' => $now];
    }

    public function away(User $away, User $standIn): static
    {
        return $this->state([
            'practice_id' => $away->practice_id,
            'of' => $away->id,
            'user_id' => $standIn->id,
            'by' => $standIn->id,
        ]);
    }
}
