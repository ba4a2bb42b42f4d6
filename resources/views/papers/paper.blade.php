{{-- A paper as it is read on the screen and printed. The same page becomes the PDF, so only what both know is used. --}}
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>{{ $paper->kind->title() }}: {{ $paper->about }}</title>
<meta name="author" content="{{ $paper->letterhead->name }}">
<style>
@font-face { font-family: "Paper"; src: url("{{ $fonts }}/AtkinsonHyperlegibleNext-Regular.ttf"); font-weight: 400; }
@font-face { font-family: "Paper"; src: url("{{ $fonts }}/AtkinsonHyperlegibleNext-Bold.ttf"); font-weight: 700; }
@page { size: {{ $size }}; margin: 15mm 20mm 17mm; @bottom-left { content: string(practice); font: 8pt "Paper"; color: #595b50; } @bottom-right { content: counter(page) " of " counter(pages); font: 8pt "Paper"; color: #595b50; } }
* { box-sizing: border-box; }
body { font: 10pt/1.38 "Paper", sans-serif; color: #23261f; margin: 0; overflow-wrap: anywhere; }
@media screen { html { background: #fff; } body { max-width: 170mm; margin: 0 auto; padding: 12mm 8mm; } }
h1 { font-size: 17pt; line-height: 1.2; margin: 0 0 1mm; }
h2 { font-size: 11pt; margin: 3.5mm 0 .8mm; color: #1f5a43; break-after: avoid; }
h3 { font-size: 10pt; margin: 0; }
p { margin: 0 0 1.5mm; white-space: pre-line; }
.head { border-bottom: 1.2pt solid #1f5a43; padding-bottom: 2.5mm; margin-bottom: 5mm; }
.head table, .head td { border: 0; padding: 0; width: auto; }
.head table { width: 100%; margin: 0; }
.head td { vertical-align: bottom; }
.head .name { string-set: practice content(); font-weight: 700; font-size: 12.5pt; color: #1f5a43; }
.head .reach { text-align: right; font-size: 9pt; color: #595b50; }
.meta { color: #595b50; margin-bottom: 4mm; }
.to { white-space: pre-line; margin-bottom: 5mm; }
.draft { border: 1pt solid #85560a; color: #85560a; padding: 1.5mm 3mm; font-weight: 700; margin-bottom: 5mm; }
table { width: 100%; border-collapse: collapse; margin: 1mm 0 3mm; font-size: 9.5pt; }
th { text-align: left; font-weight: 700; border-bottom: 1pt solid #1f5a43; padding: 1mm 2.5mm 1mm 0; vertical-align: bottom; }
td { border-bottom: .5pt solid #ddd4c2; padding: 1.1mm 2.5mm 1.1mm 0; vertical-align: top; }
td:first-child { white-space: nowrap; }
tr { break-inside: avoid; }
.exercise { border-left: 2pt solid #1f5a43; padding: 0 0 0 3mm; margin: 0 0 3.5mm; break-inside: avoid; }
.exercise p { margin: 0 0 .6mm; }
.exercise .ends { float: right; width: 66mm; margin: 0 0 1mm 3mm; text-align: center; }
.exercise .ends img { width: 30mm; height: 30mm; vertical-align: middle; }
.exercise::after { content: ""; display: block; clear: both; }
.dose { font-weight: 700; }
.dim { color: #595b50; }
figure { margin: 1mm 0 3mm; break-inside: avoid; }
figcaption { font-size: 8.5pt; color: #595b50; }
svg { width: 100%; height: auto; display: block; }
.sign { margin-top: 6mm; break-inside: avoid; }
</style>
</head>
<body>
<header class="head">
<table role="presentation"><tr>
<td class="name">{{ $paper->letterhead->name }}</td>
<td class="reach">@foreach (array_filter([$paper->letterhead->address, implode(' · ', array_filter([$paper->letterhead->telephone, $paper->letterhead->hours]))]) as $line)<div>{{ $line }}</div>@endforeach</td>
</tr></table>
</header>
<main>
@if ($discarded)
<p class="draft">Discarded</p>
@elseif ($signed === null)
<p class="draft">Draft, not signed</p>
@endif
@if ($paper->to !== '')
<p class="to">{{ $paper->to }}</p>
@endif
<h1>{{ $paper->kind->title() }}</h1>
<p class="meta">{{ $paper->about }} · {{ \Rung\Core\Papers\PaperWords::date($paper->on) }}</p>
@foreach ($paper->shown() as $block)
<section>
@if ($block->heading !== null)
<h2>{{ $block->heading }}</h2>
@endif
@switch($block->kind)
@case(\Rung\Core\Papers\BlockKind::Text)
<p>{{ $block->text }}</p>
@break
@case(\Rung\Core\Papers\BlockKind::Table)
<table>
<thead><tr>@foreach ($block->columns as $column)<th scope="col">{{ $column }}</th>@endforeach</tr></thead>
<tbody>
@foreach ($block->rows as $row)
<tr>@foreach ($row as $cell)<td>{{ $cell }}</td>@endforeach</tr>
@endforeach
</tbody>
</table>
@break
@case(\Rung\Core\Papers\BlockKind::Exercises)
@foreach ($block->rows as $row)
@php([$title, $dose, $how, $feel, $faults, $limit] = $row)
<div class="exercise">
@isset($stills[$row[6] ?? ''])
<div class="ends"><img src="{{ $stills[$row[6]][0] }}" alt="{{ $title }}: where it begins"><span aria-hidden="true">→</span><img src="{{ $stills[$row[6]][1] }}" alt="{{ $title }}: where it goes"></div>
@endisset
<h3>{{ $title }}</h3>
<p class="dose">{{ $dose }}</p>
@if ($how !== '')<p>{{ $how }}</p>@endif
@if ($feel !== '')<p class="dim">You should feel: {{ lcfirst($feel) }}</p>@endif
@if ($faults !== '')<p class="dim">Watch out for: {{ lcfirst($faults) }}</p>@endif
<p class="dim">Pain {{ $limit }}</p>
</div>
@endforeach
@break
@case(\Rung\Core\Papers\BlockKind::Course)
@include('papers.course', ['course' => $block->course])
@break
@case(\Rung\Core\Papers\BlockKind::Curve)
@include('papers.curve', ['curve' => $block->curve])
@break
@endswitch
</section>
@endforeach
<p class="sign">{{ $paper->by }}<br>@if ($signed !== null){{ $signed }}@endif</p>
</main>
</body>
</html>
