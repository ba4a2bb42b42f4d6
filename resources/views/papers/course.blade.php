{{-- The morning test over the time of the case: dots, the mean of each week as a line, stages as bands, sessions by how they were borne. --}}
@php
    $axis = new \App\Papers\Axis($course->from, $course->until, 0, 10, 26, 634, 30, 150);
    $ends = [...array_map(static fn(array $one) => $one['from'], array_slice($course->stages, 1)), $course->until];
    $last = $course->means[count($course->means) - 1] ?? null;
    $marks = ['settled' => 'M0 -5L0 1', 'under' => 'M0 -5L0 1', 'watch' => 'M-4 1L0 -6L4 1Z', 'over' => 'M-3.5 -6H3.5V1H-3.5Z', 'stop' => 'M-4 -3L0 -7L4 -3L0 1Z'];
    $colours = ['settled' => '#1f5a43', 'under' => '#1f5a43', 'watch' => '#85560a', 'over' => '#9a3620', 'stop' => '#6b2450'];
@endphp
<figure>
<svg viewBox="0 0 640 192" role="img" aria-label="The morning test from {{ \Rung\Core\Papers\PaperWords::date($course->from) }} to {{ \Rung\Core\Papers\PaperWords::date($course->until) }}: {{ count($course->scores) }} answers, {{ count($course->sessions) }} sessions{{ $last === null ? '' : ', the mean of the last week ' . \Rung\Core\Papers\PaperWords::tenth($last['mean']) . ' of 10' }}">
@foreach ($course->stages as $i => $stage)
<rect x="{{ $axis->x($stage['from']) }}" y="14" width="{{ max(1, round($axis->x($ends[$i]) - $axis->x($stage['from']), 1)) }}" height="148" fill="{{ $i % 2 === 0 ? '#f4eee2' : '#e9efe4' }}"/>
@if ($axis->x($ends[$i]) - $axis->x($stage['from']) > 40)
<text x="{{ $axis->x($stage['from']) + 4 }}" y="25" font-size="9.5" font-family="Paper" fill="#23261f">{{ mb_strimwidth($stage['title'], 0, max(4, (int) (($axis->x($ends[$i]) - $axis->x($stage['from'])) / 5)), '…') }}</text>
@endif
@endforeach
@foreach ([0, 5, 10] as $value)
<path d="M26 {{ $axis->y($value) }}H634" stroke="#ddd4c2" stroke-width="0.7"/>
<text x="21" y="{{ $axis->y($value) + 3 }}" font-size="9.5" font-family="Paper" text-anchor="end" fill="#595b50">{{ $value }}</text>
@endforeach
<path d="M26 {{ $axis->y($course->limit) }}H634" stroke="#9a3620" stroke-width="1" stroke-dasharray="5 4"/>
@foreach ($course->scores as $one)
<circle cx="{{ $axis->x($one['on']) }}" cy="{{ $axis->y($one['score']) }}" r="2.4" fill="#57626b"/>
@endforeach
<path d="{{ $axis->line(array_map(static fn(array $one): array => [$one['on'], $one['mean']], $course->means)) }}" fill="none" stroke="#1f5a43" stroke-width="2.4" stroke-linejoin="round"/>
@foreach ($course->sessions as $one)
@isset($marks[$one['verdict']])
<path transform="translate({{ $axis->x($one['on']) }} 161)" d="{{ $marks[$one['verdict']] }}" fill="{{ $colours[$one['verdict']] }}" stroke="{{ $colours[$one['verdict']] }}" stroke-width="1.4"/>
@endisset
@endforeach
@foreach ($axis->days() as $day)
<text x="{{ $day['x'] }}" text-anchor="{{ $day['x'] > 590 ? 'end' : 'start' }}" y="176" font-size="9.5" font-family="Paper" fill="#595b50">{{ $day['words'] }}</text>
@endforeach
</svg>
<figcaption>Morning test from 0 to 10: dots are answers, the line is the mean of each week, the dashed line is the limit of the next morning ({{ $course->limit }}). Below, each session by how it was borne: stroke settled, triangle a small reaction, square too much, diamond a stop.</figcaption>
</figure>
