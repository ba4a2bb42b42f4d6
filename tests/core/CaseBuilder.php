<?php

declare(strict_types=1);

namespace Tests\Core;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Time\Moment;

/**
 * Small cases in March 2026, in UTC, built day by day: a morning is at 07:00, a session from 18:00 to
 * 18:40. One stage, "slow", entered on the first, with a press (3 × 8 at 40 kg) and a hold, under the
 * tolerable school: pain to 3, next day to 5, watch from a rise of 1, over from 2, stop at 8.
 */
final class CaseBuilder
{
    /** @var list<array<string, mixed>> */
    private array $sessions = [];

    /** @var list<array<string, mixed>> */
    private array $checkIns = [];

    /** @var list<array<string, mixed>> */
    private array $changes = [];

    /** @var list<array<string, mixed>> */
    private array $reviews = [];

    /** @var array<string, mixed> */
    private array $more = [];

    /** @var array<string, mixed> */
    private array $rule = [
        'during_max' => 3,
        'settle_within_min' => 1440,
        'next_day_max' => 5,
        'rise_watch_from' => 1,
        'rise_over_from' => 2,
        'stiffness_rise_max_min' => 10,
        'stop_at' => 8,
        'progress_after' => 2,
        'week_growth_max_percent' => 10,
    ];

    /** @var array<string, mixed> */
    private array $press = [
        'key' => 'press',
        'exercise' => 'leg_press_one',
        'mode' => 'isotonic',
        'limbs' => 'each',
        'dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 40],
        'progression' => ['levers' => [['lever' => 'load', 'increment_kg' => 2.5]]],
    ];

    /** @var list<array<string, mixed>> */
    private array $gate = [];

    /** @var list<array<string, mixed>> */
    private array $laterStages = [];

    public static function case(): self
    {
        return new self();
    }

    /** @param list<string> $signs */
    public function morning(int $day, ?int $score, ?int $stiff = null, array $signs = [], string $at = '07:00'): self
    {
        $this->checkIns[] = [
            'id' => 'c' . (count($this->checkIns) + 1),
            'at' => self::moment($day, $at),
            'provocation' => $score,
            'stiffness_min' => $stiff,
            'signs' => $signs,
        ];

        return $this;
    }

    /** The same score on every morning of a span. */
    public function mornings(int $from, int $to, int $score, ?int $stiff = null): self
    {
        foreach (range($from, $to) as $day) {
            $this->morning($day, $score, $stiff);
        }

        return $this;
    }

    /** @param array<string, mixed> $fields of the session, or of its one entry: pain, sets, before, after, prescription */
    public function session(int $day, ?int $pain = 1, array $fields = []): self
    {
        $entry = [
            'prescription' => 'press',
            'pain' => $pain,
            'sets' => array_fill(0, 3, ['reps' => 8, 'load_kg' => 40, 'rir' => 2]),
        ];
        $entry = array_replace(
            $entry,
            array_intersect_key($fields, ['prescription' => 1, 'sets' => 1, 'before' => 1, 'after' => 1]),
        );
        $this->sessions[] = array_replace(
            [
                'id' => 's' . (count($this->sessions) + 1),
                'stage' => 'slow',
                'kind' => 'loading',
                'started_at' => self::moment($day, '18:00'),
                'ended_at' => self::moment($day, '18:40'),
                'entries' => [$entry],
            ],
            array_diff_key($fields, ['prescription' => 1, 'sets' => 1, 'before' => 1, 'after' => 1]),
        );

        return $this;
    }

    public function change(int $day, string $kind, ?string $prescription = 'press', string $at = '10:00'): self
    {
        $this->changes[] = ['at' => self::moment($day, $at), 'kind' => $kind, 'prescription' => $prescription];

        return $this;
    }

    public function review(int $day, string $clears): self
    {
        $this->reviews[] = ['at' => self::moment($day, '11:00'), 'clears' => $clears];

        return $this;
    }

    /** @param array<string, mixed> $fields */
    public function rule(array $fields): self
    {
        $this->rule = array_replace($this->rule, $fields);

        return $this;
    }

    /** @param array<string, mixed> $fields */
    public function press(array $fields): self
    {
        $this->press = array_replace($this->press, $fields);

        return $this;
    }

    /** @param array<string, mixed> ...$criteria */
    public function gate(array ...$criteria): self
    {
        $this->gate = array_values($criteria);

        return $this;
    }

    /** @param list<string>|null $goals */
    public function thenStage(string $key, ?array $goals = null): self
    {
        $this->laterStages[] = [
            'key' => $key,
            'title' => $key,
            'mode' => 'plyometric',
            'goals' => $goals,
            'gate' => [],
            'prescriptions' => [],
        ];

        return $this;
    }

    /** @param array<string, mixed> $fields of the case file */
    public function with(array $fields): self
    {
        /** @var array<string, mixed> $more */
        $more = array_replace_recursive($this->more, $fields);
        $this->more = $more;

        return $this;
    }

    public function file(): CaseFile
    {
        return CaseFile::fromJson(
            (string) json_encode(
                array_replace_recursive(
                    [
                        'format' => 'rung-case/1',
                        'timezone' => 'UTC',
                        'athlete' => ['name' => 'Nadia Flint', 'body_mass_kg' => 64, 'goal' => 'jumping'],
                        'case' => ['structure' => 'patellar_tendon', 'side' => 'left', 'opened_on' => '2026-03-01'],
                        'response_rule' => $this->rule,
                        'stages' => [
                            [
                                'key' => 'slow',
                                'title' => 'Slow',
                                'mode' => 'isotonic',
                                'gate' => $this->gate,
                                'prescriptions' => [
                                    $this->press,
                                    [
                                        'key' => 'hold',
                                        'exercise' => 'leg_extension_hold',
                                        'mode' => 'isometric',
                                        'limbs' => 'affected',
                                        'dose' => ['sets' => 4, 'reps' => 1, 'hold_s' => 30, 'rest_s' => 60],
                                        'progression' => ['levers' => [['lever' => 'sets', 'to' => 6]]],
                                    ],
                                ],
                            ],
                            ...$this->laterStages,
                        ],
                        'stage_history' => [['stage' => 'slow', 'from' => '2026-03-01']],
                        'sessions' => $this->sessions,
                        'check_ins' => $this->checkIns,
                        'dose_changes' => $this->changes,
                        'reviews' => $this->reviews,
                    ],
                    $this->more,
                ),
            ),
        );
    }

    public function at(int $day, string $time = '12:00'): Evaluation
    {
        return Evaluator::evaluate($this->file(), Moment::fromIso(self::moment($day, $time)));
    }

    /** The action and its reason, as "ease one_over". */
    public function action(int $day, string $time = '12:00'): string
    {
        $action = $this->at($day, $time)->action;

        return "{$action->kind->value} {$action->reason->value}";
    }

    /** The verdict of the last session with its reasons, as "over next_day_rise stiffness_rise". */
    public function verdict(int $day, string $time = '12:00'): string
    {
        $responses = $this->at($day, $time)->sessions;
        $last = end($responses);

        return $last instanceof SessionResponse ? implode(' ', [$last->verdict->value, ...$last->reasons]) : 'none';
    }

    public static function moment(int $day, string $time): string
    {
        return sprintf('2026-03-%02dT%s:00Z', $day, $time);
    }
}
