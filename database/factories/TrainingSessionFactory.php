<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\CareCase;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Factories\Factory;

/**
 * A loading session of half an hour, done without pain or a sign.
 *
 * @extends Factory<TrainingSession>
 */
final class TrainingSessionFactory extends Factory
{
    protected $model = TrainingSession::class;

    /** @return array<string, mixed> */
    public function definition(): array
    {
        return ['plan_version' => 1, 'kind' => 'loading', 'signs' => [], 'entries' => [['pain' => 0, 'sets' => []]]] +
            self::at(CarbonImmutable::now());
    }

    /** Done in the stage that the case began with. */
    public function inCase(CareCase $case): static
    {
        return $this->state([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'stage' => $case->stageEntries()->firstOrFail()->stage,
        ]);
    }

    public function on(string $day): static
    {
        return $this->state(self::at(CarbonImmutable::parse("{$day}T08:00:00Z")));
    }

    public function withPain(int $pain): static
    {
        return $this->state(['entries' => [['pain' => $pain, 'sets' => []]]]);
    }

    public function withSign(string $sign): static
    {
        return $this->state(['signs' => [$sign]]);
    }

    /** @return array<string, mixed> */
    private static function at(CarbonImmutable $at): array
    {
        return ['started_at' => $at, 'ended_at' => $at->addMinutes(30), 'created_at' => $at];
    }
}
