<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\MadeFile;
use App\Models\Paper;

/** A signed paper as PDF. */
final class PaperFile
{
    public const STEPS = 3;

    public function __construct(private readonly PdfMaker $pdf) {}

    /** @return string|null null where it was cancelled on the way */
    public function bytes(MadeFile $file): ?string
    {
        $id = $file->options['paper'] ?? null;
        $size = $file->options['size'] ?? null;
        $paper = Paper::query()->findOrFail(is_string($id) ? $id : '');
        $html = PaperView::html(
            $paper,
            $paper->current()->paper(),
            'file://' . public_path('fonts'),
            PageSize::from(is_string($size) ? $size : PageSize::A4->value),
        );
        if (!$file->step()) {
            return null;
        }
        $bytes = $this->pdf->make($html);

        return $file->step() ? $bytes : null;
    }
}
