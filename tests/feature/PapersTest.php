<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Care\Intake;
use App\Jobs\MakeFile;
use App\Models\AccessLogEntry;
use App\Models\CareCase;
use App\Models\FileState;
use App\Models\MadeFile;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Papers\PageSize;
use App\Papers\PaperView;
use App\Papers\PdfFailed;
use App\Papers\PdfMaker;
use App\Support\KeptFiles;
use Carbon\CarbonImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Rung\Core\Time\Day;

/** Papers: drafted, written, signed, agreed to, and made into files. */
final class PapersTest extends TestCase
{
    private const CONSENT = ['by' => 'Juno Tamsin', 'on' => '2026-04-14', 'how' => 'spoken', 'diagnosis' => false];

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (['sheet', 'referrer', 'coach', 'referral', 'discharge', 'tests', 'decisions'] as $kind) {
            yield $kind => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function testEveryCaseCanHaveEveryPaper(string $kind): void
    {
        foreach (CareCase::query()->where('practice_id', $this->practitioner()->practice_id)->get() as $case) {
            $paper = $this->draft($case, $kind);
            self::assertNull($paper->json('signed_at'));
            self::assertNotNull($paper->json('obstacle'));
            $html = self::text($paper->json('html'));
            self::assertStringContainsString('Draft, not signed', $html);
            self::assertStringContainsString(e($case->athlete->name), $html);
            self::assertStringNotContainsString('{{', $html);
            if ($kind === 'coach') {
                self::assertSame(
                    [],
                    $paper->json('tells_diagnosis'),
                    "{$case->athlete->name} is not named with what is wrong",
                );
            }
        }
    }

    /** Looked at as it is printed: nothing runs into the margins, nothing is blank, and a letter keeps to one page. */
    #[DataProvider('kinds')]
    public function testEveryPaperKeepsToItsPages(string $kind): void
    {
        $case = $this->caseOf('Tobias Fenwick');
        $case
            ->forceFill([
                'intake' => new Intake(
                    beganOn: Day::fromIso('2026-01-10'),
                    loadChange: 'the new act, with twice as many landings a week and a harder floor',
                    aggravating: 'stairs, landings, sitting for long, the first steps in the morning',
                ),
            ])
            ->save();
        $id = self::text($this->draft($case, $kind)->json('id'));
        $paper = Paper::query()->findOrFail($id);
        $isLetter = in_array($kind, ['referrer', 'coach', 'referral'], true);
        // The shorter sheet of the two holds fewer lines.
        $pdf = app(PdfMaker::class)->make(
            PaperView::html(
                $paper,
                $paper->current()->paper(),
                'file://' . public_path('fonts'),
                $isLetter ? PageSize::Letter : PageSize::A4,
            ),
        );
        $folder = sys_get_temp_dir() . '/paper-' . $id;
        mkdir($folder);
        Process::input($pdf)
            ->run(['pdftoppm', '-gray', '-r', '36', '-', "$folder/page"])
            ->throw();
        $pages = array_map(
            static fn(string $page): string => (string) file_get_contents($page),
            glob("$folder/*.pgm") ?: [],
        );
        array_map(unlink(...), glob("$folder/*.pgm") ?: []);
        rmdir($folder);
        self::assertNotSame([], $pages);
        if ($isLetter) {
            self::assertCount(1, $pages, "a $kind letter of one page");
        }
        foreach ($pages as $page) {
            [$width, $height, $left, $right, $top, $bottom] = self::inkOf($page);
            // At 36 dots an inch, 6 mm are 8 dots: no printer reaches nearer to the edge.
            self::assertGreaterThan(8, $left);
            self::assertLessThan($width - 8, $right);
            self::assertGreaterThan(8, $top);
            self::assertLessThan($height - 8, $bottom);
            self::assertGreaterThan(100, $right - $left, 'no blank page');
        }
    }

    /** Whatever a practice is called, it stands so at the head and at the foot. */
    public function testTheNameOfThePracticeStandsAsItIs(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $case->practice->update(['name' => 'Rope & "Ring" </style> \\ Co']);
        $paper = Paper::query()->findOrFail(
            self::text(
                $this->ask($own, 'POST', "/api/cases/$case->id/papers", ['kind' => 'decisions'])
                    ->assertStatus(201)
                    ->json('id'),
            ),
        );
        $pdf = app(PdfMaker::class)->make(
            PaperView::html($paper, $paper->current()->paper(), 'file://' . public_path('fonts')),
        );
        self::assertSame(
            2,
            substr_count(
                Process::input($pdf)
                    ->run(['pdftotext', '-layout', '-', '-'])
                    ->throw()
                    ->output(),
                'Rope & "Ring" </style> \\ Co',
            ),
        );
    }

    /** @return array{int, int, int, int, int, int} width and height, and the outermost dots that are darker than light grey */
    private static function inkOf(string $pgm): array
    {
        if (preg_match('/^P5\s(\d+) (\d+)\s255\s/', $pgm, $head) !== 1) {
            self::fail('not the form of a picture that was asked for');
        }
        [$width, $height] = [(int) $head[1], (int) $head[2]];
        $dots = substr($pgm, strlen($head[0]));
        [$left, $right, $top, $bottom] = [$width, 0, $height, 0];
        for ($i = 0; $i < $width * $height; $i++) {
            if (ord($dots[$i]) < 200) {
                [$x, $y] = [$i % $width, intdiv($i, $width)];
                [$left, $right, $top, $bottom] = [min($left, $x), max($right, $x), min($top, $y), max($bottom, $y)];
            }
        }

        return [$width, $height, $left, $right, $top, $bottom];
    }

    public function testALetterIsWrittenAgreedToSignedAndTakenOut(): void
    {
        Storage::fake();
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $id = self::text($this->draft($case, 'referrer')->json('id'));
        $at = "/api/cases/$case->id/papers/$id";
        $written = [
            'based_on' => 1,
            'to' => "Dr. Petra Lindqvist\nHarbour Street 3",
            'texts' => ['asked' => 'Please see Juno <b>soon</b>.'],
            'left_out' => ['course'],
        ];

        $preview = $this->ask($own, 'POST', "$at/preview", $written)->assertOk();
        self::assertStringContainsString(
            'Please see Juno &lt;b&gt;soon&lt;/b&gt;.',
            self::text($preview->json('html')),
            'what is typed stays text',
        );
        self::assertSame(1, PaperVersion::query()->where('paper_id', $id)->count(), 'looking stores nothing');

        $this->ask($own, 'PUT', $at, $written)->assertOk()->assertJsonPath('version', 2);
        $this->ask($own, 'PUT', $at, $written)
            ->assertStatus(409)
            ->assertJsonPath(
                'message',
                'Ola Vance has saved version 2 meanwhile. Copy what you wrote, reload the page, and put it in again.',
            );
        $this->ask($own, 'POST', "$at/file", ['size' => 'A4'])
            ->assertStatus(422)
            ->assertJsonPath('errors.paper.0', 'It is a draft: sign it first.');
        $this->ask($own, 'POST', "$at/signature", ['version' => 1])->assertStatus(409);
        $this->ask($own, 'POST', "$at/signature", ['version' => 2])
            ->assertOk()
            ->assertJsonPath('signed_by', 'Ola Vance')
            ->assertJsonPath('obstacle', 'It goes to somebody outside: record first that the athlete agreed.');
        $this->ask($own, 'POST', "$at/file", ['size' => 'A4'])->assertStatus(422);
        $this->ask($own, 'PUT', "$at/consent", [
            'by' => '',
            'on' => '2027-01-01',
            'how' => 'shouted',
            'diagnosis' => false,
        ])
            ->assertStatus(422)
            ->assertJsonPath('errors.by.0', 'Say who agreed: the athlete, or whoever speaks for them.')
            ->assertJsonPath('errors.on.0', 'The day must not lie ahead.')
            ->assertJsonPath('errors.how.0', 'Say whether it was spoken or written.');
        $this->ask($own, 'PUT', "$at/consent", self::CONSENT)
            ->assertOk()
            ->assertJsonPath('obstacle', null)
            ->assertJsonPath('consent.recorded_by', 'Ola Vance');

        // What is signed stays.
        $this->ask($own, 'PUT', $at, ['based_on' => 2] + $written)->assertStatus(409);
        $this->ask($own, 'DELETE', $at)->assertStatus(409);
        $html = self::text($this->ask($own, 'GET', $at)->json('html'));
        self::assertStringContainsString('Signed by Ola Vance on Tue 14 Apr 2026', $html);
        self::assertStringNotContainsString('<svg', $html, 'the course was left out');
        self::assertStringContainsString(
            '<svg',
            self::text($this->ask($own, 'GET', "$at?version=1")->json('html')),
            'and stands on the first version',
        );

        $file = $this->ask($own, 'POST', "$at/file", ['size' => 'letter'])->assertStatus(202);
        $made = MadeFile::query()->findOrFail(self::text($file->json('id')));
        self::assertSame('letter-to-the-referrer-juno-tamsin-2026-04-14.pdf', $made->name);
        $this->work($made);
        $this->ask($own, 'GET', "/api/files/$made->id")
            ->assertOk()
            ->assertJsonPath('state', 'ready')
            ->assertJsonPath('done', 3);
        $pdf = $this->ask($own, 'GET', "/api/files/$made->id/content")
            ->assertOk()
            ->streamedContent();
        self::assertSame(
            'application/pdf',
            $this->ask($own, 'GET', "/api/files/$made->id/content")->headers->get('Content-Type'),
        );
        $this->lookAt($pdf);

        // Whoever no longer agrees keeps it from leaving again.
        $this->ask($own, 'DELETE', "$at/consent")
            ->assertOk()
            ->assertJsonPath('consent', null);
        $this->ask($own, 'POST', "$at/file", ['size' => 'A4'])->assertStatus(422);
        $this->ask($own, 'GET', "/api/files/$made->id/content")->assertStatus(409);
        $log = AccessLogEntry::query()
            ->where('athlete_id', $case->athlete_id)
            ->orderBy('at')
            ->orderBy('id')
            ->pluck('what')
            ->all();
        foreach (
            ['drafted', 'wrote', 'signed', 'recorded the agreement to', 'exported', 'withdrew the agreement to']
            as $act
        ) {
            self::assertContains("$act a paper: letter to the referrer", $log);
        }
    }

    public function testACoachIsNotToldADiagnosisWithoutAnAgreementToThat(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $at = "/api/cases/$case->id/papers/" . self::text($this->draft($case, 'coach')->json('id'));
        $this->ask($own, 'PUT', $at, [
            'based_on' => 1,
            'to' => 'Rhea Fallow',
            'texts' => ['advice' => 'Her kneecap tendon needs rest from landings.'],
            'left_out' => [],
        ])
            ->assertOk()
            ->assertJsonPath('tells_diagnosis', ['kneecap tendon']);
        $this->ask($own, 'PUT', "$at/consent", self::CONSENT)->assertOk();
        $refused = $this->ask($own, 'POST', "$at/signature", ['version' => 2])->assertStatus(422);
        self::assertStringContainsString(
            'the letter says “kneecap tendon”',
            self::text($refused->json('errors.consent.0')),
        );
        $this->ask($own, 'PUT', "$at/consent", ['diagnosis' => true] + self::CONSENT)->assertOk();
        $this->ask($own, 'POST', "$at/signature", ['version' => 2])
            ->assertOk()
            ->assertJsonPath('obstacle', null);
        // An agreement to less than what stands on it keeps it here.
        $this->ask($own, 'PUT', "$at/consent", self::CONSENT)
            ->assertOk()
            ->assertJsonPath(
                'obstacle',
                'It names the diagnosis (kneecap tendon), and the athlete has not agreed to that.',
            );
    }

    public function testALetterSaysWhomItGoesTo(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $at = "/api/cases/$case->id/papers/" . self::text($this->draft($case, 'referrer')->json('id'));
        $this->ask($this->practitioner(), 'POST', "$at/signature", ['version' => 1])
            ->assertStatus(422)
            ->assertJsonValidationErrorFor('to');
        // A sheet goes to the athlete and needs neither.
        $sheet = "/api/cases/$case->id/papers/" . self::text($this->draft($case, 'sheet')->json('id'));
        $this->ask($this->practitioner(), 'POST', "$sheet/signature", ['version' => 1])
            ->assertOk()
            ->assertJsonPath('obstacle', null);
    }

    public function testAnAgreementToLessTakesBackWhatWasMade(): void
    {
        Storage::fake();
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $at = "/api/cases/$case->id/papers/" . self::text($this->draft($case, 'coach')->json('id'));
        $this->ask($own, 'PUT', $at, [
            'based_on' => 1,
            'to' => 'Rhea Fallow',
            'texts' => ['advice' => 'Her kneecap tendon needs rest.'],
            'left_out' => [],
        ])->assertOk();
        $this->ask($own, 'PUT', "$at/consent", ['diagnosis' => true] + self::CONSENT)->assertOk();
        $this->ask($own, 'POST', "$at/signature", ['version' => 2])->assertOk();
        $made = MadeFile::query()->findOrFail(
            self::text(
                $this->ask($own, 'POST', "$at/file", ['size' => 'A4'])
                    ->assertStatus(202)
                    ->json('id'),
            ),
        );
        $this->ask($own, 'PUT', "$at/consent", ['how' => 'written', 'diagnosis' => true] + self::CONSENT)->assertOk();
        self::assertSame(FileState::Waiting, $made->refresh()->state, 'the same agreement in writing changes nothing');
        $this->ask($own, 'PUT', "$at/consent", self::CONSENT)->assertOk();
        $this->work($made);
        self::assertSame(FileState::Cancelled, $made->refresh()->state);
        Storage::assertMissing($made->path());
    }

    /** After a case is closed its papers can still be drafted, and say so. */
    public function testAClosedCaseHasItsPapers(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/decisions", [
            'kind' => 'close',
            'ending' => 'stopped',
            'reason' => 'Moved away',
            'revision' => $case->refresh()->revision,
        ])->assertStatus(201);
        $paper = $this->draft($case->refresh(), 'discharge');
        self::assertStringContainsString('The case was closed on Tue 14 Apr 2026.', self::text($paper->json('html')));
        $coach = self::text($this->draft($case, 'coach')->json('html'));
        self::assertStringNotContainsString('Slow strength', $coach, 'nothing is asked for any more');
    }

    public function testADraftIsDiscardedAndAVersionNeverChanges(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $own = $this->practitioner();
        $id = self::text($this->draft($case, 'sheet')->json('id'));
        $this->ask($own, 'DELETE', "/api/cases/$case->id/papers/$id")->assertOk();
        self::assertNotContains(
            $id,
            array_column((array) $this->ask($own, 'GET', "/api/cases/$case->id/papers")->json('papers'), 'id'),
        );
        $this->ask($own, 'POST', "/api/cases/$case->id/papers/$id/signature", ['version' => 1])->assertStatus(409);
        $this->expectException(QueryException::class);
        PaperVersion::query()
            ->where('paper_id', $id)
            ->update(['content' => '{}']);
    }

    public function testWhatCannotBeMadeIsShownAndAskedForAnew(): void
    {
        Storage::fake();
        $this->app?->bind(
            PdfMaker::class,
            static fn(): PdfMaker => new class implements PdfMaker {
                public function make(string $html): string
                {
                    throw new PdfFailed('no');
                }
            },
        );
        $made = $this->askedFor();
        $job = new MakeFile($made->practice_id, $made->id);
        $why = null;
        rescue(
            fn(): mixed => $this->app?->call([$job, 'handle']),
            static function (\Throwable $failed) use (&$why): void {
                $why = $failed;
            },
            false,
        );
        self::assertInstanceOf(PdfFailed::class, $why);
        $job->failed($why);
        $this->ask($this->practitioner(), 'GET', "/api/files/$made->id")
            ->assertOk()
            ->assertJsonPath('state', 'failed')
            ->assertJsonPath(
                'problem',
                'It could not be made. Try again; if it fails again, tell whoever runs the server.',
            );
        $this->ask($this->practitioner(), 'GET', "/api/files/$made->id/content")->assertStatus(409);
    }

    public function testWhatWasCancelledIsNotMade(): void
    {
        Storage::fake();
        $made = $this->askedFor();
        $this->ask($this->practitioner(), 'GET', "/api/files/$made->id/content")
            ->assertStatus(409)
            ->assertJsonPath('message', 'This file is still being made. Try again in a few seconds.');
        $this->ask($this->practitioner(), 'DELETE', "/api/files/$made->id")
            ->assertOk()
            ->assertJsonPath('state', 'cancelled');
        $this->work($made);
        self::assertSame(FileState::Cancelled, $made->refresh()->state);

        // Cancelled while it was being made: the PDF is thrown away.
        $made = $this->askedFor();
        $this->app?->bind(
            PdfMaker::class,
            static fn(): PdfMaker => new class ($made) implements PdfMaker {
                public function __construct(private readonly MadeFile $file) {}

                public function make(string $html): string
                {
                    MadeFile::query()
                        ->whereKey($this->file->id)
                        ->update(['state' => FileState::Cancelled]);

                    return '%PDF';
                }
            },
        );
        $this->work($made);
        self::assertSame(FileState::Cancelled, $made->refresh()->state);
        self::assertSame([], Storage::allFiles());
    }

    public function testAFileIsForWhoeverAskedAndForADay(): void
    {
        Storage::fake();
        $made = $this->askedFor();
        $this->work($made);
        $this->ask($this->practitioner('Another Practice'), 'GET', "/api/files/$made->id")->assertStatus(404);
        $colleague = \App\Models\User::query()
            ->where('practice_id', $made->practice_id)
            ->whereNull('athlete_id')
            ->where('id', '!=', $made->user_id)
            ->firstOrFail();
        foreach (['', '/content'] as $more) {
            $this->ask($colleague, 'GET', "/api/files/$made->id$more")->assertStatus(404);
        }
        Storage::assertExists($made->path());
        CarbonImmutable::setTestNow('2026-04-15T08:00:00+01:00');
        app(KeptFiles::class)->forgetOld();
        Storage::assertExists($made->path());
        CarbonImmutable::setTestNow('2026-04-15T09:00:00+01:00');
        app(KeptFiles::class)->forgetOld();
        Storage::assertMissing($made->path());
        $this->ask($this->practitioner(), 'GET', "/api/files/$made->id")->assertStatus(404);
    }

    public function testTheQueueHoldsNothingOfARecord(): void
    {
        Queue::fake();
        $made = $this->askedFor();
        Queue::assertPushed(
            MakeFile::class,
            static fn(MakeFile $job): bool => !str_contains(serialize($job), 'Juno') &&
                str_contains(serialize($job), $made->id),
        );
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function draft(CareCase $case, string $kind): TestResponse
    {
        return $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/papers", [
            'kind' => $kind,
        ])->assertStatus(201);
    }

    /** A signed sheet, asked for as a file. */
    private function askedFor(): MadeFile
    {
        $case = $this->caseOf('Juno Tamsin');
        $at = "/api/cases/$case->id/papers/" . self::text($this->draft($case, 'sheet')->json('id'));
        $this->ask($this->practitioner(), 'POST', "$at/signature", ['version' => 1])->assertOk();

        return MadeFile::query()->findOrFail(
            self::text(
                $this->ask($this->practitioner(), 'POST', "$at/file", ['size' => 'A4'])
                    ->assertStatus(202)
                    ->json('id'),
            ),
        );
    }

    private function work(MadeFile $file): void
    {
        $this->app?->call([new MakeFile($file->practice_id, $file->id), 'handle']);
    }

    /** By programs that are not ours: it has tags, its fonts are in it, and its words can be read. */
    private function lookAt(string $pdf): void
    {
        self::assertStringStartsWith('%PDF-', $pdf);
        $info = Process::input($pdf)
            ->run(['pdfinfo', '-'])
            ->throw()
            ->output();
        self::assertMatchesRegularExpression('/^Tagged:\s+yes$/m', $info);
        self::assertMatchesRegularExpression('/^Title:\s+Letter to the referrer: Juno Tamsin/m', $info);
        self::assertMatchesRegularExpression('/^Pages:\s+1$/m', $info);
        self::assertMatchesRegularExpression('/^Page size:\s+612 x 792 pts \(letter\)$/m', $info);
        $path = tempnam(sys_get_temp_dir(), 'paper') ?: throw new \RuntimeException('no file');
        file_put_contents($path, $pdf);
        $fonts = array_slice(
            explode(
                "\n",
                trim(
                    Process::run(['pdffonts', $path])
                        ->throw()
                        ->output(),
                ),
            ),
            2,
        );
        $text = Process::run(['pdftotext', '-layout', $path, '-'])
            ->throw()
            ->output();
        unlink($path);
        self::assertNotSame([], $fonts);
        foreach ($fonts as $font) {
            self::assertMatchesRegularExpression('/^[A-Z]{6}\+Paper.* yes yes yes /', $font);
        }
        foreach (
            [
                'Dr. Petra Lindqvist',
                'Please see Juno <b>soon</b>.',
                'Signed by Ola Vance on Tue 14 Apr 2026',
                'Ropewalk Circus School',
                '1 of 1',
            ]
            as $words
        ) {
            self::assertStringContainsString($words, $text);
        }
    }
}
