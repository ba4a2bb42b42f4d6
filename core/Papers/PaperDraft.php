<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

/**
 * Drafts a paper from the record (docs/rules.md, "Papers"). Every text of it is meant to be read and rewritten before
 * it is signed.
 */
final class PaperDraft
{
    public static function draft(PaperKind $kind, PaperFacts $facts): Paper
    {
        $blocks = match ($kind) {
            PaperKind::Sheet => SheetDraft::blocks($facts),
            PaperKind::Referrer => LetterDraft::toReferrer($facts),
            PaperKind::Coach => LetterDraft::toCoach($facts),
            PaperKind::Referral => LetterDraft::onASign($facts),
            PaperKind::Discharge => LetterDraft::discharge($facts),
            PaperKind::Tests => RecordDraft::tests($facts),
            PaperKind::Decisions => RecordDraft::decisions($facts),
        };

        return new Paper(
            $kind,
            $facts->letterhead,
            $facts->practitioner,
            $facts->evaluation->log->today,
            '',
            PaperWords::about($kind, $facts),
            array_values(
                array_filter(
                    $blocks,
                    static fn(Block $block): bool => $block->kind === BlockKind::Text || !$block->isEmpty(),
                ),
            ),
        );
    }
}
