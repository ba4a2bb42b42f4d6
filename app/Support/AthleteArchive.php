<?php

declare(strict_types=1);

namespace App\Support;

use App\Care\CaseHistory;
use App\Http\Resources\OwnData;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\MadeFile;
use App\Models\Paper;
use App\Papers\PaperView;
use App\Papers\PdfMaker;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;
use Rung\Core\Papers\PaperKind;
use RuntimeException;
use ZipArchive;

/** All that is kept of an athlete in one zip archive: open formats, and the signed papers. */
final class AthleteArchive
{
    private const JSON =
        JSON_PRETTY_PRINT |
        JSON_UNESCAPED_UNICODE |
        JSON_UNESCAPED_SLASHES |
        JSON_PRESERVE_ZERO_FRACTION |
        JSON_THROW_ON_ERROR;

    public function __construct(private readonly CatalogueShelf $shelf, private readonly PdfMaker $pdf) {}

    /** One for what concerns all cases, one for each case, one for each paper. */
    public static function steps(Athlete $athlete): int
    {
        return 1 + $athlete->cases()->count() + self::papers($athlete)->count();
    }

    /** @return string|null null where it was cancelled on the way */
    public function bytes(MadeFile $file): ?string
    {
        $id = $file->options['athlete'] ?? null;
        $athlete = Athlete::query()->findOrFail(is_string($id) ? $id : '');
        $whole = ($file->options['whole'] ?? null) === true;
        $path = tempnam(sys_get_temp_dir(), 'rung') ?: throw new RuntimeException('no temporary file');
        $zip = new ZipArchive();
        try {
            $zip->open($path, ZipArchive::OVERWRITE);
            if (!$this->fill($zip, $athlete, $file, $whole)) {
                return null;
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            unlink($path);
        }
    }

    private function fill(ZipArchive $zip, Athlete $athlete, MadeFile $file, bool $whole): bool
    {
        $cases = array_values(
            CareCase::query()
                ->where('athlete_id', $athlete->id)
                ->with(['practice', 'athlete'])
                ->orderBy('opened_on')
                ->orderBy('id')
                ->get()
                ->all(),
        );
        $zip->addFromString('README.txt', self::readme($athlete, $whole));
        $zip->addFromString('own-data.json', json_encode(OwnData::present($athlete, $cases), self::JSON));
        if (!$file->step()) {
            return false;
        }
        $folders = [];
        foreach ($cases as $i => $case) {
            $folders[$case->id] = sprintf(
                '%d-%s',
                $i + 1,
                Str::slug("$case->structure_title $case->side $case->opened_on"),
            );
            $this->addCase($zip, $case, $folders[$case->id], $whole);
            if (!$file->step()) {
                return false;
            }
        }
        foreach (
            self::papers($athlete)
                ->with(['case.practice', 'signer'])
                ->orderBy('signed_at')
                ->get()
            as $paper
        ) {
            if ($whole || $paper->kind !== PaperKind::Decisions) {
                $name = Str::slug(
                    "{$paper->kind->title()} {$paper->current()->paper()->on->toIso()} " . substr($paper->id, -4),
                );
                $zip->addFromString(
                    "{$folders[$paper->case_id]}/papers/$name.pdf",
                    $this->pdf->make(
                        PaperView::html($paper, $paper->current()->paper(), 'file://' . public_path('fonts')),
                    ),
                );
            }
            if (!$file->step()) {
                return false;
            }
        }

        return true;
    }

    private function addCase(ZipArchive $zip, CareCase $case, string $folder, bool $whole): void
    {
        $zip->addFromString("$folder/case-file.json", json_encode(CaseHistory::whole($case)->toArray(), self::JSON));
        $zip->addFromString(
            "$folder/health-record.json",
            json_encode(HealthRecord::bundle($case, $this->shelf), self::JSON),
        );
        foreach (CaseTable::cases() as $table) {
            if ($whole || $table !== CaseTable::Decisions) {
                $zip->addFromString("$folder/$table->value.csv", $this->table($case, $table));
            }
        }
    }

    private function table(CareCase $case, CaseTable $table): string
    {
        $to = fopen('php://temp', 'w+b') ?: throw new RuntimeException('no temporary file');
        Csv::write($to, $table->columns());
        foreach ($table->rows($case, $this->shelf) as $row) {
            Csv::write($to, $row);
        }
        rewind($to);
        $text = (string) stream_get_contents($to);
        fclose($to);

        return $text;
    }

    /** @return Builder<Paper> those that were signed */
    private static function papers(Athlete $athlete): Builder
    {
        return Paper::query()
            ->whereIn('case_id', CareCase::query()->where('athlete_id', $athlete->id)->select('id'))
            ->whereNotNull('signed_version');
    }

    private static function readme(Athlete $athlete, bool $whole): string
    {
        $decisions = $whole ? ', decisions.csv (who decided what, and why)' : '';

        return <<<TEXT
        All data of $athlete->name

        own-data.json             all of it in one file (format rung-own-data/1)
        A folder for each case:
          case-file.json          the whole case in the open format rung-case/1
          health-record.json      the same as a FHIR R4 Bundle, which health record systems read
          sessions.csv, sets.csv, mornings.csv, tests.csv, scores.csv, plan.csv$decisions
                                  tables for a spreadsheet (UTF-8, comma separated)
          papers/                 what was signed, as PDF

        This is health data. Keep it where nobody else finds it.

        TEXT;
    }
}
