<?php

declare(strict_types=1);

// ./rung bench: how long the core takes for a long case. Ratios within one run say more than single figures.

require __DIR__ . '/../../core/autoload.php';

use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\LeastHours;
use Rung\Core\Calendar\Replanner;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekRules;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\CatalogueFolder;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Range;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Figure\FigureFolder;
use Rung\Core\Strength\CurveFigures;
use Rung\Core\Strength\ForceCurve;
use Rung\Core\Time\Day;

/** A case of so many weeks: daily check-ins, about 150 sessions in 26 weeks, four exercises of four sets each. */
function longCase(int $weeks): string
{
    $base = json_decode((string) file_get_contents(__DIR__ . '/../../docs/formats/case-file.example.json'), true);
    assert(is_array($base));
    $prescription = [
        'exercise' => 'leg_press',
        'mode' => 'isotonic',
        'limbs' => 'each',
        'dose' => ['sets' => 4, 'reps' => 8, 'rest_s' => 120, 'load_kg' => 40],
        'progression' => ['levers' => [['lever' => 'load', 'increment_kg' => 2.5]]],
    ];
    $base['stages'][0]['prescriptions'] = array_map(static fn(string $key): array => ['key' => $key] + $prescription, [
        'a',
        'b',
        'c',
        'd',
    ]);
    $base['stage_history'] = [['stage' => 'hold', 'from' => '2024-01-01']];
    $base['case']['opened_on'] = '2024-01-01';
    $base['timezone'] = 'Europe/Lisbon';
    $base['sessions'] = $base['check_ins'] = $base['planned'] = $base['dose_changes'] = [];
    $start = new DateTimeImmutable('2024-01-01 07:00:00 UTC');
    for ($day = 0; $day < $weeks * 7; $day++) {
        $morning = $start->modify("+$day days");
        $base['check_ins'][] = [
            'id' => "c$day",
            'at' => $morning->format('Y-m-d\TH:i:sP'),
            'provocation' => ($day * 7) % 4,
            'stiffness_min' => ($day * 3) % 11,
        ];
        if ($day % 17 === 3) {
            $base['dose_changes'][] = [
                'at' => $morning->modify('+3 hours')->format('Y-m-d\TH:i:sP'),
                'kind' => 'progress',
                'prescription' => 'a',
            ];
        }
        if ($day % 11 !== 0 && $day % 13 !== 0) {
            $base['planned'][] = ['id' => "p$day", 'on' => $morning->format('Y-m-d'), 'slot' => 'slow'];
            $base['sessions'][] = [
                'id' => "s$day",
                'planned' => "p$day",
                'stage' => 'hold',
                'kind' => 'loading',
                'started_at' => $morning->modify('+11 hours')->format('Y-m-d\TH:i:sP'),
                'ended_at' => $morning->modify('+12 hours')->format('Y-m-d\TH:i:sP'),
                'entries' => array_map(
                    static fn(string $key): array => [
                        'prescription' => $key,
                        'pain' => ($day * 5) % 4,
                        'sets' => array_fill(0, 4, ['reps' => 8, 'load_kg' => 40, 'rir' => 2]),
                    ],
                    ['a', 'b', 'c', 'd'],
                ),
            ];
        }
    }

    return (string) json_encode($base);
}

/** @return array{float, float} median and 95th percentile in milliseconds */
function timed(callable $work, int $runs): array
{
    $times = [];
    for ($i = 0; $i < $runs + 3; $i++) {
        $begin = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $begin) / 1e6;
    }
    $times = array_slice($times, 3);
    sort($times);

    return [$times[intdiv($runs, 2)], $times[(int) ($runs * 0.95)]];
}

$medians = [];
foreach ([26, 104] as $weeks) {
    $json = longCase($weeks);
    $file = CaseFile::fromJson($json);
    $at = $file->newestMoment();
    assert($at !== null);
    [$median, $late] = timed(static fn() => Evaluator::evaluate($file, $at), 60);
    [$whole] = timed(static fn() => Evaluator::evaluate(CaseFile::fromJson($json), $at), 30);
    $medians[$weeks] = $median;
    printf(
        "core, %3d weeks (%d sessions, %d check-ins): evaluate %.2f ms median, %.2f ms 95th; read and evaluate %.2f ms; peak memory %.1f MB\n",
        $weeks,
        count($file->sessions),
        count($file->check_ins),
        $median,
        $late,
        $whole,
        memory_get_peak_usage() / 1e6,
    );
}
printf("core, 104 weeks to 26 weeks: %.2f times\n", $medians[104] / $medians[26]);

// Five minutes of a gauge at 80 samples a second.
$ms = $newtons = [];
for ($i = 0; $i < 24_000; $i++) {
    $t = $i / 80;
    $ms[] = 12.5 * $i;
    $newtons[] = 8 + ($i % 7) / 5 + ($t > 2 && $t < 290 ? 300 * (1 - exp(-($t - 2) / 0.15)) * (1 - 0.001 * $t) : 0);
}
[$median, $late] = timed(static fn() => CurveFigures::fromCurve(new ForceCurve($ms, $newtons)), 20);
printf("core, a force curve of 5 minutes at 80 a second: %.1f ms median, %.1f ms 95th (aim: 20 ms)\n", $median, $late);

// Twelve weeks with a session every day, three events and a blocked day.
$slots = [
    'spring' => new Slot('spring', Mode::Plyometric),
    'hold' => new Slot('hold', Mode::Isometric),
    'slow' => new Slot('slow', Mode::Isotonic),
];
$monday = Day::fromIso('2026-04-13');
$booked = array_map(
    static fn(int $day): Booked => new Booked((string) $day, $monday->plus($day), ['spring', 'hold', 'slow'][$day % 3]),
    range(0, 83),
);
$rules = new WeekRules(
    blocked: [$monday->plus(22)->number => true],
    events: [$monday->plus(12)->number => true, $monday->plus(40)->number => true, $monday->plus(62)->number => true],
    leastHours: [
        new LeastHours('spring', 'spring', 48),
        new LeastHours('slow', 'slow', 48),
        new LeastHours('spring', 'slow', 24),
    ],
);
[$median, $late] = timed(static fn() => Replanner::replan($booked, $rules, $slots, $monday), 20);
printf("core, 12 weeks re-planned: %.1f ms median, %.1f ms 95th (aim: 100 ms)\n", $median, $late);

// All figures read, one worked out whole and within a range (a phone's page holds about eight), and one evaluation to compare.
$catalogue = CatalogueFolder::read(CatalogueFolder::own());
[$read] = timed(static fn() => FigureFolder::read(FigureFolder::own()), 10);
$book = FigureFolder::read(FigureFolder::own());
$figure = $book->figures['decline_eccentric'];
$exercise = $catalogue->exercise('decline_eccentric');
[$whole] = timed(static fn() => $figure->drawn($exercise), 30);
[$short] = timed(static fn() => $figure->drawn($exercise, new Range(0, 60)), 30);
printf(
    "core, figures: %d read in %.1f ms; one worked out %.2f ms, within a range %.2f ms (%.1f times evaluating 26 weeks)\n",
    count($book->figures),
    $read,
    $whole,
    $short,
    $short / $medians[26],
);

$path = (string) tempnam(sys_get_temp_dir(), 'rung');
file_put_contents($path, longCase(26));
[$median] = timed(
    static fn() => shell_exec(
        escapeshellarg(PHP_BINARY) . ' ' . escapeshellarg(__DIR__ . '/../../bin/rung') . " evaluate $path",
    ),
    15,
);
[$bare] = timed(static fn() => shell_exec(escapeshellarg(PHP_BINARY) . ' -r "echo 1;"'), 15);
printf("bin/rung evaluate, whole process: %.0f ms median (PHP doing nothing: %.0f ms)\n", $median, $bare);
unlink($path);
