<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\WritePaper;
use App\Models\CareCase;
use App\Models\Paper;
use App\Papers\PaperView;
use App\Support\Clock;
use Rung\Core\Papers\Block;
use Rung\Core\Papers\BlockKind;
use Rung\Core\Papers\PaperKind;

/** The papers of a case, and one of them with its page. */
final class PaperPage
{
    public function __construct(private readonly WritePaper $write) {}

    /** @return array<string, mixed> */
    public function all(CareCase $case): array
    {
        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'kinds' => array_map(
                static fn(PaperKind $paperKind): array => [
                    'kind' => $paperKind->value,
                    'title' => $paperKind->title(),
                    'about' => $paperKind->about(),
                    'needs_consent' => $paperKind->needsConsent(),
                ],
                PaperKind::cases(),
            ),
            'papers' => array_values(
                Paper::query()
                    ->where('case_id', $case->id)
                    ->whereNull('discarded_at')
                    ->with(['user', 'signer'])
                    ->orderByDesc('created_at')
                    ->orderByDesc('id')
                    ->get()
                    ->map(fn(Paper $paper): array => $this->line($case, $paper))
                    ->all(),
            ),
        ];
    }

    /** @return array<string, mixed> */
    public function present(CareCase $case, Paper $paper, ?int $version = null): array
    {
        $shown = $version === null ? $paper->current() : $paper->versions()->where('number', $version)->firstOrFail();
        $content = $shown->paper();

        return $this->line($case, $paper) + [
            'athlete' => $case->athlete->name,
            'today' => Clock::today($case->practice->timezone)->toIso(),
            'needs_consent' => $paper->kind->needsConsent(),
            'shown' => $shown->number,
            'blocks' => array_map(
                static fn(Block $block): array => [
                    'key' => $block->key,
                    'kind' => $block->kind->value,
                    'title' => $block->heading ?? self::title($block),
                    'text' => $block->kind === BlockKind::Text ? $block->text : null,
                    'left_out' => $content->isLeftOut($block),
                ],
                $content->blocks,
            ),
            'versions' => PaperVersionResource::collection($paper->versions()->with('user')->get()),
            'html' => PaperView::html($paper, $content),
        ];
    }

    /** @return array<string, mixed> */
    private function line(CareCase $case, Paper $paper): array
    {
        $current = $paper->current();
        $zone = $case->practice->timezone;
        $diagnosis = $this->write->diagnosisNamed($case, $paper);

        return [
            'id' => $paper->id,
            'kind' => $paper->kind->value,
            'title' => $paper->kind->title(),
            'to' => $current->paper()->to,
            'version' => $current->number,
            'drafted_by' => $paper->user->name,
            'drafted_at' => $paper->created_at->setTimezone($zone)->toIso8601String(),
            'signed_by' => $paper->signer?->name,
            'signed_at' => $paper->signed_at?->setTimezone($zone)->toIso8601String(),
            'consent' =>
                $paper->consent === null
                    ? null
                    : array_intersect_key($paper->consent, [
                        'by' => 1,
                        'on' => 1,
                        'how' => 1,
                        'diagnosis' => 1,
                        'recorded_by' => 1,
                    ]),
            'tells_diagnosis' => $diagnosis,
            'obstacle' => $paper->obstacle($diagnosis),
        ];
    }

    private static function title(Block $block): string
    {
        return match (true) {
            $block->curve !== null => "Curve: {$block->curve->title}",
            $block->key === 'greeting' => 'Greeting',
            $block->key === 'close' => 'Close',
            $block->kind === BlockKind::Table => 'Table',
            default => 'Text',
        };
    }
}
