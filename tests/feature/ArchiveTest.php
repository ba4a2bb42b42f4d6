<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\MakeFile;
use App\Models\AccessLogEntry;
use App\Models\FileState;
use App\Models\MadeFile;
use App\Models\Role;
use App\Models\User;
use App\Papers\PdfMaker;
use Illuminate\Support\Facades\Storage;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\HealthRecord\BundleReader;
use ZipArchive;

/** All that is kept of an athlete goes out in one archive, to the owner of the practice and to the athlete. */
final class ArchiveTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake();
        $this->app?->bind(
            PdfMaker::class,
            static fn(): PdfMaker => new class implements PdfMaker {
                public function make(string $html): string
                {
                    return '%PDF ' . strip_tags($html);
                }
            },
        );
    }

    public function testTheOwnerTakesOutEverything(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $paper = self::text(
            $this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => 'decisions'])->json('id'),
        );
        $this->ask($own, 'POST', "/api/cases/$case->id/papers/$paper/signature", ['version' => 1])->assertOk();
        $this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])->assertStatus(201);

        $made = MadeFile::query()->findOrFail(
            self::text(
                $this->ask($own, 'POST', "/api/cases/$case->id/archive")
                    ->assertStatus(202)
                    ->assertJsonPath('steps', 3)
                    ->assertJsonPath('name', 'juno-tamsin-2026-04-14.zip')
                    ->json('id'),
            ),
        );
        $files = $this->opened($made, $own);
        $folder = '1-kneecap-tendon-left-' . $case->opened_on;
        self::assertSame(
            [
                "$folder/case-file.json",
                "$folder/decisions.csv",
                "$folder/health-record.json",
                "$folder/mornings.csv",
                "$folder/papers/decision-record-2026-04-14-" . substr($paper, -4) . '.pdf',
                "$folder/plan.csv",
                "$folder/scores.csv",
                "$folder/sessions.csv",
                "$folder/sets.csv",
                "$folder/tests.csv",
                'README.txt',
                'own-data.json',
            ],
            array_keys($files),
            'a draft is no part of it',
        );
        self::assertStringStartsWith('All data of Juno Tamsin', $files['README.txt']);
        self::assertEquals(
            CaseFile::fromJson($files["$folder/case-file.json"])->toArray(),
            BundleReader::read($files["$folder/health-record.json"])->toArray(),
        );
        self::assertStringStartsWith('case,athlete,structure,side,session,started_at', $files["$folder/sets.csv"]);
        self::assertSame('Juno Tamsin', data_get(json_decode($files['own-data.json'], true), 'athlete.name'));
        self::assertTrue(
            AccessLogEntry::query()
                ->where('athlete_id', $case->athlete_id)
                ->where('user_id', $own->id)
                ->where('what', 'exported all data of the athlete')
                ->exists(),
        );
    }

    public function testTheAthleteTakesOutTheirOwnWithoutWhatPractitionersWriteForThemselves(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        foreach (['decisions', 'sheet'] as $kind) {
            $paper = self::text($this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => $kind])->json('id'));
            $this->ask($own, 'POST', "/api/cases/$case->id/papers/$paper/signature", ['version' => 1])->assertOk();
        }
        $juno = $this->athlete('Juno Tamsin');
        $files = array_keys(
            $this->opened(
                MadeFile::query()->findOrFail(
                    self::text($this->ask($juno, 'POST', '/api/today/archive')->assertStatus(202)->json('id')),
                ),
                $juno,
            ),
        );
        self::assertCount(1, preg_grep('#/papers/exercise-sheet-.*\.pdf$#', $files) ?: []);
        self::assertSame([], array_values(preg_grep('/decision/', $files) ?: []));
    }

    public function testAPractitionerWhoIsNotTheOwnerTakesOutNoArchive(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $colleague = User::query()
            ->where('practice_id', $case->practice_id)
            ->where('role', Role::Practitioner)
            ->firstOrFail();
        $this->ask($colleague, 'POST', "/api/cases/$case->id/archive")->assertStatus(403);
    }

    public function testAFileIsFoundByNobodyElse(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $id = self::text($this->ask($juno, 'POST', '/api/today/archive')->json('id'));
        foreach (
            [['GET', "/api/files/$id"], ['GET', "/api/files/$id/content"], ['DELETE', "/api/files/$id"]]
            as [$method, $path]
        ) {
            $this->ask($this->practitioner(), $method, $path)->assertStatus(404);
            \Illuminate\Support\Facades\Auth::forgetGuards();
            $this->ask(null, $method, $path)->assertStatus(401);
        }
        $this->ask($juno, 'GET', "/api/files/$id")
            ->assertOk()
            ->assertJsonPath('state', 'waiting');
    }

    public function testCancelledOnTheWayItEndsAfterTheStepThatItIsIn(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        foreach ([1, 2, 3] as $_) {
            $paper = self::text(
                $this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => 'sheet'])->json('id'),
            );
            $this->ask($own, 'POST', "/api/cases/$case->id/papers/$paper/signature", ['version' => 1])->assertOk();
        }
        $made = MadeFile::query()->findOrFail(
            self::text($this->ask($own, 'POST', "/api/cases/$case->id/archive")->json('id')),
        );
        $maker = new class ($made) implements PdfMaker {
            public int $times = 0;

            public function __construct(private readonly MadeFile $file) {}

            public function make(string $html): string
            {
                $this->times++;
                MadeFile::query()
                    ->whereKey($this->file->id)
                    ->update(['state' => FileState::Cancelled]);

                return '%PDF';
            }
        };
        $this->app?->bind(PdfMaker::class, static fn(): PdfMaker => $maker);
        $this->app?->call([new MakeFile($made->practice_id, $made->id), 'handle']);
        self::assertSame(1, $maker->times);
        Storage::assertMissing($made->path());
    }

    /** @return array<string, string> what is in the archive, by name */
    private function opened(MadeFile $made, User $by): array
    {
        $this->app?->call([new MakeFile($made->practice_id, $made->id), 'handle']);
        $path = tempnam(sys_get_temp_dir(), 'test') ?: throw new \RuntimeException('no file');
        file_put_contents(
            $path,
            $this->ask($by, 'GET', "/api/files/$made->id/content")
                ->assertOk()
                ->streamedContent(),
        );
        $zip = new ZipArchive();
        self::assertTrue($zip->open($path, ZipArchive::CHECKCONS));
        $files = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        $zip->close();
        unlink($path);
        ksort($files);

        return $files;
    }
}
