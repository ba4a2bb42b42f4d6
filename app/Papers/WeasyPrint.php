<?php

declare(strict_types=1);

namespace App\Papers;

use Illuminate\Support\Facades\Process;

/**
 * Debian's weasyprint, a program of its own that reads a page and writes a PDF. No PHP library that can be had writes
 * PDFs with tags, which people who cannot see a page need (docs/operations.md, "Papers").
 */
final class WeasyPrint implements PdfMaker
{
    private const SECONDS = 50;

    public function make(string $html): string
    {
        $made = Process::timeout(self::SECONDS)
            // It keeps what it learns of fonts in the home folder; the web user has none.
            ->env([
                'HOME' => storage_path('framework'),
                'XDG_CACHE_HOME' => storage_path('framework/cache'),
                'LANG' => 'C.UTF-8',
            ])
            ->input($html)
            ->run([
                'weasyprint',
                '--quiet',
                '--encoding',
                'utf-8',
                '--pdf-variant',
                'pdf/ua-1',
                '--base-url',
                'file:///dev/null',
                '-',
                '-',
            ]);

        return $made->successful() && str_starts_with($made->output(), '%PDF')
            ? $made->output()
            : throw new PdfFailed("weasyprint ended with {$made->exitCode()}");
    }
}
