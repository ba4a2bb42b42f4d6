{{-- A measure over time: filled marks for the sore side, open ones for the other. --}}
@php
    $axis = \App\Papers\CurveAxis::forCurve($curve);
    $other = array_values(array_filter($curve->points, static fn(array $one): bool => $one['unaffected'] !== null));
    $first = $curve->points[0];
    $last = $curve->points[count($curve->points) - 1];
@endphp
<figure>
<svg viewBox="0 0 640 128" role="img" aria-label="{{ $curve->title }}: {{ \Rung\Core\Papers\PaperWords::tenth($first['affected']) }} {{ $curve->unit }} on {{ \Rung\Core\Papers\PaperWords::date($first['on']) }}, {{ \Rung\Core\Papers\PaperWords::tenth($last['affected']) }} {{ $curve->unit }} on {{ \Rung\Core\Papers\PaperWords::date($last['on']) }}">
@foreach ($axis->values() as $value)
<path d="M44 {{ $axis->y($value) }}H630" stroke="#ddd4c2" stroke-width="0.7"/>
<text x="38" y="{{ $axis->y($value) + 3 }}" font-size="9.5" font-family="Paper" text-anchor="end" fill="#595b50">{{ $value }}</text>
@endforeach
@if (count($other) > 0)
<path d="{{ $axis->line(array_map(static fn(array $one): array => [$one['on'], $one['unaffected']], $other)) }}" fill="none" stroke="#57626b" stroke-width="1.4" stroke-dasharray="4 3"/>
@foreach ($other as $one)
<circle cx="{{ $axis->x($one['on']) }}" cy="{{ $axis->y($one['unaffected']) }}" r="3" fill="#ffffff" stroke="#57626b" stroke-width="1.4"/>
@endforeach
@endif
<path d="{{ $axis->line(array_map(static fn(array $one): array => [$one['on'], $one['affected']], $curve->points)) }}" fill="none" stroke="#1f5a43" stroke-width="2.2"/>
@foreach ($curve->points as $one)
<circle cx="{{ $axis->x($one['on']) }}" cy="{{ $axis->y($one['affected']) }}" r="3.2" fill="#1f5a43"/>
@endforeach
@foreach ($axis->days() as $day)
<text x="{{ $day['x'] }}" text-anchor="{{ $day['x'] > 590 ? 'end' : 'start' }}" y="123" font-size="9.5" font-family="Paper" fill="#595b50">{{ $day['words'] }}</text>
@endforeach
</svg>
<figcaption>{{ $curve->title }}, {{ $curve->unit }}{{ count($other) > 0 ? ': filled the sore side, open the other' : '' }}.</figcaption>
</figure>
