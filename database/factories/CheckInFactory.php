<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\CareCase;
use App\Models\CheckIn;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * A morning that was answered, at seven, without a sign.
 *
 * @extends Factory<CheckIn>
 */
final class CheckInFactory extends Factory
{
    protected $model = CheckIn::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['provocation' => 2, 'signs' => [], 'late' => false] + self::at(CarbonImmutable::now());
    }

    public function inCase(CareCase $case): static
    {
        return $this->state(['practice_id' => $case->practice_id, 'case_id' => $case->id]);
    }

    public function on(string $day): static
    {
        return $this->state(self::at(CarbonImmutable::parse("{$day}T07:00:00Z")));
    }

    public function scored(int $provocation): static
    {
        return $this->state(['provocation' => $provocation]);
    }

    /** @return array<string, mixed> */
    private static function at(CarbonImmutable $at): array
    {
        return ['at' => $at, 'made_at' => $at, 'created_at' => $at, 'local_on' => $at->toDateString()];
    }
}
