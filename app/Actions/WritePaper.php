<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\FileState;
use App\Models\MadeFile;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\Structure;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Keeps what was written on a paper, signs it, records what the athlete agreed to, or discards a draft. */
final class WritePaper
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /**
     * @param array<string, string> $texts by the key of their block
     * @param list<string> $leftOut
     *
     * @throws InvalidInput
     * @throws ConflictHttpException where somebody else saved meanwhile
     */
    public function save(
        CareCase $case,
        Paper $paper,
        User $by,
        int $basedOn,
        string $to,
        array $texts,
        array $leftOut,
    ): Paper {
        return $this->change($case, $paper, $by, 'wrote', static function (Paper $locked) use (
            $by,
            $basedOn,
            $to,
            $texts,
            $leftOut,
        ): void {
            self::mustBeDraft($locked);
            $latest = $locked->current();
            if ($latest->number !== $basedOn) {
                throw new ConflictHttpException(
                    "{$latest->user->name} has saved version $latest->number meanwhile. Copy what you wrote, reload the page, and put it in again.",
                );
            }
            PaperVersion::query()->create([
                'practice_id' => $locked->practice_id,
                'paper_id' => $locked->id,
                'number' => $latest->number + 1,
                'user_id' => $by->id,
                'at' => CarbonImmutable::now(),
                'content' => json_encode(
                    $latest->paper()->written($to, $texts, $leftOut)->toArray(),
                    JSON_THROW_ON_ERROR,
                ),
            ]);
        });
    }

    /**
     * @throws InvalidInput where it names a diagnosis and the athlete has not agreed to that
     * @throws ConflictHttpException
     */
    public function sign(CareCase $case, Paper $paper, User $by, int $version): Paper
    {
        return $this->change($case, $paper, $by, 'signed', function (Paper $locked) use ($case, $by, $version): void {
            self::mustBeDraft($locked);
            $latest = $locked->current();
            if ($latest->number !== $version) {
                throw new ConflictHttpException(
                    "{$latest->user->name} has saved version $latest->number meanwhile. Reload the page and read it before you sign.",
                );
            }
            $diagnosis = $this->diagnosisNamed($case, $locked);
            if ($diagnosis !== [] && !($locked->consent['diagnosis'] ?? false)) {
                throw InvalidInput::at(
                    '/consent',
                    'to name the diagnosis is not recorded, and the letter says “' .
                        implode('”, “', $diagnosis) .
                        '”. Take it out, or record that the athlete agrees',
                );
            }
            if ($locked->kind->needsConsent() && trim($latest->paper()->to) === '') {
                throw InvalidInput::at('/to', 'must say whom it goes to before it is signed');
            }
            $locked->update([
                'signed_version' => $latest->number,
                'signed_by' => $by->id,
                'signed_at' => CarbonImmutable::now(),
            ]);
        });
    }

    /** @param array{by: string, on: string, how: string, diagnosis: bool} $consent */
    public function agree(CareCase $case, Paper $paper, User $by, array $consent): Paper
    {
        return $this->change($case, $paper, $by, 'recorded the agreement to', function (Paper $locked) use (
            $case,
            $by,
            $consent,
        ): void {
            $locked->update([
                'consent' => $consent + [
                    'recorded_by' => $by->name,
                    'recorded_at' => CarbonImmutable::now()->toIso8601String(),
                ],
            ]);
            if ($locked->obstacle($this->diagnosisNamed($case, $locked)) !== null) {
                self::forgetFiles($locked);
            }
        });
    }

    /** The athlete does not agree any more: nothing of it leaves from now on. */
    public function withdraw(CareCase $case, Paper $paper, User $by): Paper
    {
        return $this->change($case, $paper, $by, 'withdrew the agreement to', static function (Paper $locked): void {
            $locked->update(['consent' => null]);
            self::forgetFiles($locked);
        });
    }

    public function discard(CareCase $case, Paper $paper, User $by): Paper
    {
        return $this->change($case, $paper, $by, 'discarded', static function (Paper $locked): void {
            self::mustBeDraft($locked);
            $locked->update(['discarded_at' => CarbonImmutable::now()]);
        });
    }

    /** @return list<string> */
    public function diagnosisNamed(CareCase $case, Paper $paper): array
    {
        if ($paper->kind->namesDiagnosis()) {
            return [];
        }
        $info = $this->shelf->forCase($case, $case->plan())->structure(Structure::from($case->structure));

        return $paper
            ->current()
            ->paper()
            ->diagnosisNamed([$case->structure_title, $info->title, ...$info->alsoCalled]);
    }

    /** What was made of it and not fetched yet, or is being made, is there no more. */
    private static function forgetFiles(Paper $paper): void
    {
        foreach (
            MadeFile::query()->where('case_id', $paper->case_id)->where('options->paper', $paper->id)->get()
            as $file
        ) {
            $file->update(['state' => FileState::Cancelled, 'finished_at' => CarbonImmutable::now()]);
            DB::afterCommit(static fn(): bool => Storage::delete($file->path()));
        }
    }

    /** @param callable(Paper): mixed $change */
    private function change(CareCase $case, Paper $paper, User $by, string $what, callable $change): Paper
    {
        return DB::transaction(static function () use ($case, $paper, $by, $what, $change): Paper {
            $locked = Paper::query()->lockForUpdate()->findOrFail($paper->id);
            $change($locked);
            AccessLog::changed($by, $case, "$what a paper: " . lcfirst($locked->kind->title()));

            return $locked->refresh();
        });
    }

    private static function mustBeDraft(Paper $paper): void
    {
        if ($paper->signed_version !== null) {
            throw new ConflictHttpException(
                'It was signed meanwhile, so it stays as it is. Draft a new one if something has to change.',
            );
        }
        if ($paper->discarded_at !== null) {
            throw new ConflictHttpException('It was discarded meanwhile. Draft a new one.');
        }
    }
}
