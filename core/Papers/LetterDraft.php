<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Slot;
use Rung\Core\Dose\Mode;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Letters to people outside the practice. */
final class LetterDraft
{
    private const WEEK = 7;

    private const STOP = 'A sudden pop or loss of function, swelling, warmth or fever, unexplained pain at night, numbness or weakness, giving way, locking or a fall onto it: stop at once and let us or a doctor look at it.';

    /** @return list<Block> */
    public static function toReferrer(PaperFacts $facts): array
    {
        $strength = $facts->measures[0] ?? null;

        return [
            Block::text('greeting', null, ['Dear colleague,']),
            Block::text('found', 'Found', [PaperWords::found($facts)]),
            Block::text('done', 'Done', [
                PaperWords::done($facts),
                PaperWords::limits($facts->evaluation->log->file->response_rule),
            ]),
            Block::course('course', 'The course', CaseCourse::fromEvaluation($facts->evaluation)),
            Block::text('stands', 'Where it stands', [
                PaperWords::stage($facts),
                PaperWords::stop($facts),
                PaperWords::mornings($facts),
                $strength === null ? null : PaperWords::measure($strength),
                PaperWords::missing($facts),
            ]),
            Block::text('asked', 'What is asked', [
                $facts->isStopped()
                    ? "Please see $facts->athlete before loading goes on, and tell us what you found."
                    : 'Nothing for now. Please tell us if you know of anything that speaks against going on.',
            ]),
            Block::text('close', null, ['With kind regards']),
        ];
    }

    /** @return list<Block> */
    public static function toCoach(PaperFacts $facts): array
    {
        $rule = $facts->evaluation->log->file->response_rule;
        $stopped = $facts->isStopped();

        return [
            Block::text('greeting', null, ['Dear coach,']),
            Block::text('allowed', 'This week', [
                $stopped
                    ? "No loading for $facts->athlete until we have looked at it: no practice, no show. We will write as soon as that changes."
                    : "What $facts->athlete may do from " .
                        PaperWords::date($facts->evaluation->log->today) .
                        ' for seven days:',
            ]),
            Block::table(
                'days',
                null,
                ['Day', 'Sessions of the programme', 'Practice and shows'],
                $stopped ? [] : self::days($facts),
            ),
            Block::text('not_yet', 'Not yet', [$stopped ? null : self::notYet($facts)]),
            Block::text('advice', 'For now', [
                implode(' ', array_map(static fn(string $text): string => rtrim($text, '.') . '.', $facts->advice)),
            ]),
            Block::text('limits', 'How much it may hurt', [
                $stopped
                    ? null
                    : "Pain of up to $rule->during_max of 10 while training is allowed if it has calmed down by the next morning. More than that: make it easier or leave it for today. From $rule->stop_at of 10: stop for today and tell us.",
            ]),
            Block::text('stop', 'Stop at once', [self::STOP]),
            Block::text('close', null, ['Please call us rather than guess.']),
        ];
    }

    /** @return list<Block> */
    public static function onASign(PaperFacts $facts): array
    {
        $signs = PaperWords::signs($facts, true) ?: PaperWords::signs($facts, false);

        return [
            Block::text('greeting', null, ['Dear colleague,']),
            Block::text('asked', 'What is asked', [
                "Please see $facts->athlete" .
                ($facts->isStopped() ? ' before any loading goes on' : '') .
                ', and tell us what you found.',
            ]),
            Block::text('signs', 'What was reported', [
                $signs === [] && !$facts->severeFlare
                    ? 'Write here what you saw or what the athlete reported.'
                    : ucfirst(implode('; ', $signs ?: ['a flare at the stop level between sessions'])) . '.',
            ]),
            Block::text('found', 'Before that', [
                PaperWords::found($facts),
                PaperWords::done($facts),
                PaperWords::stage($facts),
                PaperWords::mornings($facts),
            ]),
            Block::course('course', 'The course', CaseCourse::fromEvaluation($facts->evaluation)),
            Block::text('now', 'Until then', [
                $facts->isStopped()
                    ? 'All loading is stopped until it has been looked at.'
                    : 'Write here what goes on and what rests until then.',
            ]),
            Block::text('close', null, ['Thank you, and with kind regards']),
        ];
    }

    /** @return list<Block> */
    public static function discharge(PaperFacts $facts): array
    {
        $rule = $facts->evaluation->log->file->response_rule;
        $kept = $facts->plan->maintenance;

        return [
            Block::text('greeting', null, ['Dear colleague,']),
            Block::text('found', 'How it began', [PaperWords::found($facts)]),
            Block::text('done', 'What was done', [PaperWords::done($facts)]),
            Block::course('course', 'The course', CaseCourse::fromEvaluation($facts->evaluation)),
            Block::table('outcome', 'First and last', ['Measure', 'First', 'Last', 'Sides'], self::outcome($facts)),
            ...array_map(
                static fn(MeasureCourse $measureCourse): Block => Block::curve(
                    "curve_{$measureCourse->measure->key}",
                    null,
                    MeasureCurve::fromCourse($measureCourse),
                ),
                array_values(
                    array_filter(
                        $facts->measures,
                        static fn(MeasureCourse $measureCourse): bool => count($measureCourse->points) > 1,
                    ),
                ),
            ),
            Block::text('stands', 'Where it stands', [
                PaperWords::stage($facts),
                PaperWords::stop($facts),
                $facts->closedOn === null ? null : 'The case was closed on ' . PaperWords::date($facts->closedOn) . '.',
            ]),
            Block::text('kept', 'Keeping it up', [
                $kept === null
                    ? 'Write here what is to be kept up, and how often.'
                    : 'The doses are kept up ' .
                        ($kept->perWeek === 1 ? 'once' : 'twice') .
                        ' a week until ' .
                        PaperWords::date($kept->until) .
                        '.',
                "It should be looked at again if a morning scores over $rule->next_day_max of 10, if it hurts more than before for a week, or before training grows by a lot.",
            ]),
            Block::text('close', null, ['With kind regards']),
        ];
    }

    /** @return list<list<string>> each day of the week ahead: what the programme asks, what else is planned */
    private static function days(PaperFacts $facts): array
    {
        $rows = [];
        foreach (range(0, self::WEEK - 1) as $i) {
            $day = $facts->evaluation->log->today->plus($i);
            $sessions = array_column(
                array_filter($facts->coming, static fn(array $row): bool => $row['on']->number === $day->number),
                'title',
            );
            $sport = array_map(
                static fn(ExpectedSport $expected): string => $expected->words(),
                array_filter(
                    $facts->sport,
                    static fn(ExpectedSport $expected): bool => $expected->on->number === $day->number,
                ),
            );
            $isEvent =
                array_filter($facts->events, static fn(Day $event): bool => $event->number === $day->number) !== [];
            $rows[] = [
                TimeWords::day($day),
                implode(', ', $sessions) ?: 'none',
                implode(', ', [...$isEvent ? ['show'] : [], ...$sport]) ?: 'none planned',
            ];
        }

        return $rows;
    }

    private static function notYet(PaperFacts $facts): string
    {
        $modes = [];
        foreach ($facts->plan->stages as $stage) {
            $modes = [...$modes, ...self::modes($stage)];
            if ($stage->stage->key === $facts->evaluation->log->stage->key) {
                break;
            }
        }

        return match (true) {
            in_array(Mode::Sport, $modes, true)
                => 'Whatever goes beyond the table above; it grows when this is well tolerated.',
            array_intersect(array_column($modes, 'value'), [
                Mode::Plyometric->value,
                Mode::Running->value,
                Mode::Throwing->value,
            ]) !== []
                => 'Fast work beyond the sessions of the programme: jumps, sprints and throws at full effort wait, unless they stand in the table above.',
            default => 'Jumps, sprints, throws and other fast or springy work, unless they stand in the table above.',
        };
    }

    /** @return list<Mode> of a stage and its sessions */
    private static function modes(PlanStage $stage): array
    {
        return [$stage->stage->mode, ...array_map(static fn(Slot $slot): Mode => $slot->mode, $stage->slots)];
    }

    /** @return list<list<string>> */
    private static function outcome(PaperFacts $facts): array
    {
        [$first, $last] = PaperWords::means($facts);
        $rows =
            $first === null
                ? []
                : [
                    [
                        'Morning test, mean of a week',
                        PaperWords::tenth($first) . ' of 10',
                        $last === null ? '–' : PaperWords::tenth($last) . ' of 10',
                        '–',
                    ],
                ];
        foreach ($facts->measures as $course) {
            $latest = $course->latest();
            if ($latest !== null) {
                $unit = $course->measure->unit;
                $rows[] = [
                    $course->measure->title,
                    PaperWords::tenth($course->points[0]->taken->followed($course->bothSides)) . " $unit",
                    count($course->points) === 1
                        ? '–'
                        : PaperWords::tenth($latest->taken->followed($course->bothSides)) . " $unit",
                    $latest->symmetryPercent === null ? '–' : PaperWords::tenth($latest->symmetryPercent) . ' %',
                ];
            }
        }

        return $rows;
    }
}
