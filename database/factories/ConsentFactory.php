<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Consent;
use App\Models\ConsentPurpose;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * What an athlete agreed to, said today.
 *
 * @extends Factory<Consent>
 */
final class ConsentFactory extends Factory
{
    protected $model = Consent::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        $now = CarbonImmutable::now();

        return ['given' => true, 'on' => $now->toDateString(), 'how' => 'spoken', 'at' => $now];
    }

    public function forAthlete(User $athlete, ConsentPurpose $purpose): static
    {
        return $this->state([
            'practice_id' => $athlete->practice_id,
            'athlete_id' => $athlete->athlete_id,
            'purpose' => $purpose,
        ]);
    }

    public function takenBack(): static
    {
        return $this->state(['given' => false]);
    }

    public function writtenDownBy(User $practitioner): static
    {
        return $this->state(['user_id' => $practitioner->id]);
    }
}
