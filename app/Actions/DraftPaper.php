<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\User;
use App\Papers\FactsOfCase;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Rung\Core\Papers\Paper as Content;
use Rung\Core\Papers\PaperDraft;
use Rung\Core\Papers\PaperKind;

/** Drafts a paper from the record. */
final class DraftPaper
{
    public function __construct(private readonly FactsOfCase $facts) {}

    public function handle(CareCase $case, User $by, PaperKind $kind): Paper
    {
        return self::store($case, $by, PaperDraft::draft($kind, $this->facts->gather($case, $by->name)));
    }

    private static function store(CareCase $case, User $by, Content $content): Paper
    {
        return DB::transaction(static function () use ($case, $by, $content): Paper {
            $paper = Paper::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'kind' => $content->kind,
                'user_id' => $by->id,
                'created_at' => CarbonImmutable::now(),
            ]);
            PaperVersion::query()->create([
                'practice_id' => $case->practice_id,
                'paper_id' => $paper->id,
                'number' => 1,
                'user_id' => $by->id,
                'at' => CarbonImmutable::now(),
                'content' => json_encode($content->toArray(), JSON_THROW_ON_ERROR),
            ]);
            AccessLog::changed($by, $case, 'drafted a paper: ' . lcfirst($content->kind->title()));

            return $paper->refresh();
        });
    }
}
