<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper as Row;
use Illuminate\Support\Facades\View;
use Rung\Core\Papers\Paper;
use Rung\Core\Papers\PaperWords;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/** A paper as a page, the same on the screen and in the PDF. */
final class PaperView
{
    public static function html(Row $row, Paper $paper, string $fonts = '/fonts', PageSize $size = PageSize::A4): string
    {
        $signed =
            $row->signed_at === null || $row->signer === null
                ? null
                : "Signed by {$row->signer->name} on " .
                    PaperWords::date(
                        Zone::named($row->case->practice->timezone)->dayOf(Moment::fromDateTime($row->signed_at)),
                    );

        return View::make('papers.paper', [
            'paper' => $paper,
            'fonts' => $fonts,
            'size' => $size->value,
            'signed' => $signed,
            'discarded' => $row->discarded_at !== null,
            'stills' => app(Stills::class)->forRow($row, $paper),
        ])->render();
    }
}
