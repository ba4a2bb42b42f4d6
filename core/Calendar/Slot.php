<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\TimeOfDay;

/** A kind of session that a stage's calendar places. */
final readonly class Slot
{
    /**
     * @param list<TimeOfDay> $times at which it is done, one for each of the day; empty: whenever it suits
     * @param list<PracticeStep> $practice the rungs of the way back, easier first; of sport alone. Empty in a programme: those that the catalogue has for the goal
     */
    public function __construct(
        public string $key,
        public Mode $mode,
        public int $times_per_day = 1,
        public ?string $title = null,
        public array $times = [],
        /** Days of its own, beside those of the stage's rhythm: accessory work on a finding. Null: it takes its turn there. */
        public ?Rhythm $beside = null,
        public array $practice = [],
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->choice('mode', Mode::class),
            $node->wholeOrNull('times_per_day', 1, 24) ?? 1,
        );
    }

    /** As a plan has it: with the title that people see, its times, days of its own and the way back to sport. */
    public static function readTitled(ObjectNode $node): self
    {
        $title = $node->text('title');

        return self::read($node)->titled($title)->readDetails($node);
    }

    /** The same kind of session with the times, days of its own and rungs of practice that a request names; what it does not name stays. */
    public function readDetails(ObjectNode $node): self
    {
        $beside = $node->holds('beside') ? $node->childOrNull('beside', Rhythm::read(...)) : $this->beside;
        if ($beside?->cycle !== null) {
            $node->inItem(
                'beside',
                'must be every so many days or so many times a week: one kind of session cannot take turns',
            );
        }
        $practice = $node->holds('practice') ? PracticeStep::readAll($node, 'practice') : $this->practice;
        if ($practice !== [] && $this->mode !== Mode::Sport) {
            $node->fault('practice', 'goes with sessions of sport alone');
        }

        return new self(
            $this->key,
            $this->mode,
            $this->times_per_day,
            $this->title,
            $node->holds('times') ? $this->readTimes($node) : $this->times,
            $beside,
            $practice,
        );
    }

    /** @return list<TimeOfDay> */
    private function readTimes(ObjectNode $node): array
    {
        $times = [];
        foreach ($node->textsOrNull('times') ?? [] as $i => $text) {
            $time = TimeOfDay::fromText($text);
            if ($time === null) {
                $node->inItem("times/$i", 'must be a time of day such as 07:30');

                return [];
            }
            if ($times !== [] && $time->minutes <= $times[count($times) - 1]->minutes) {
                $node->inItem("times/$i", 'must come after the time before it');
            }
            $times[] = $time;
        }
        if ($times !== [] && count($times) !== $this->times_per_day) {
            $node->fault('times', "must hold $this->times_per_day, one for each session of the day, or none");
        }

        return $times;
    }

    private function titled(string $title): self
    {
        return new self($this->key, $this->mode, $this->times_per_day, $title);
    }

    /** What people call it. */
    public function name(): string
    {
        return $this->title ?? $this->key;
    }

    /** The time at which one of the day's sessions is done; null where it is done whenever it suits. */
    public function timeOf(int $number): ?TimeOfDay
    {
        return $this->times[$number - 1] ?? null;
    }

    /** @param list<PracticeStep> $practice the rungs of the way back, easier first */
    public function withPractice(array $practice): self
    {
        return new self(
            $this->key,
            $this->mode,
            $this->times_per_day,
            $this->title,
            $this->times,
            $this->beside,
            $practice,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'key' => $this->key,
                'title' => $this->title,
                'mode' => $this->mode->value,
                'times_per_day' => $this->times_per_day,
                'times' =>
                    $this->times === []
                        ? null
                        : array_map(static fn(TimeOfDay $timeOfDay): string => $timeOfDay->toText(), $this->times),
                'beside' => $this->beside?->toArray(),
                'practice' =>
                    $this->practice === []
                        ? null
                        : array_map(static fn(PracticeStep $step): array => $step->toArray(), $this->practice),
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
