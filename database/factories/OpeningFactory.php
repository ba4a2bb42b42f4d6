<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Opening;
use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * An opening that was begun and left at the first step.
 *
 * @extends Factory<Opening>
 */
final class OpeningFactory extends Factory
{
    protected $model = Opening::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['name' => 'Somebody New', 'step' => 1, 'form' => (object) []];
    }

    public function by(User $practitioner): static
    {
        return $this->state(['practice_id' => $practitioner->practice_id, 'practitioner_id' => $practitioner->id]);
    }
}
