<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\AskForFile;
use App\Actions\DraftPaper;
use App\Actions\WritePaper;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\ConsentRequest;
use App\Http\Requests\Desk\DraftPaperRequest;
use App\Http\Requests\Desk\PaperFileRequest;
use App\Http\Requests\Desk\SignPaperRequest;
use App\Http\Requests\Desk\WritePaperRequest;
use App\Http\Resources\MadeFileResource;
use App\Http\Resources\PaperPage;
use App\Models\CareCase;
use App\Models\FileKind;
use App\Models\Paper;
use App\Papers\PaperFile;
use App\Papers\PaperView;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Papers of a case: drafted from the record, written, signed, and made into files. */
final class PaperController extends Controller
{
    public function __construct(private readonly PaperPage $page, private readonly WritePaper $write) {}

    public function index(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at the papers');

        return new JsonResponse($this->page->all($case));
    }

    public function store(DraftPaperRequest $request, CareCase $case, DraftPaper $draft): JsonResponse
    {
        $paper = $draft->handle($case, self::person($request), $request->kind());

        return new JsonResponse($this->page->present($case, $paper), 201);
    }

    public function show(Request $request, CareCase $case, string $paper): JsonResponse
    {
        $found = self::paper($case, $paper);
        AccessLog::read(self::person($request), $case, 'read a paper: ' . lcfirst($found->kind->title()));

        return new JsonResponse(
            $this->page->present($case, $found, $request->filled('version') ? $request->integer('version') : null),
        );
    }

    public function update(WritePaperRequest $request, CareCase $case, string $paper): JsonResponse
    {
        $saved = $this->write->save(
            $case,
            self::paper($case, $paper),
            self::person($request),
            $request->basedOn(),
            $request->to(),
            $request->texts(),
            $request->leftOut(),
        );

        return new JsonResponse($this->page->present($case, $saved));
    }

    /** The page as it would be with what is typed; nothing is stored. */
    public function preview(WritePaperRequest $request, CareCase $case, string $paper): JsonResponse
    {
        $found = self::paper($case, $paper);

        return new JsonResponse([
            'html' => PaperView::html(
                $found,
                $found->current()->paper()->written($request->to(), $request->texts(), $request->leftOut()),
            ),
        ]);
    }

    public function sign(SignPaperRequest $request, CareCase $case, string $paper): JsonResponse
    {
        $signed = $this->write->sign(
            $case,
            self::paper($case, $paper),
            self::person($request),
            $request->integer('version'),
        );

        return new JsonResponse($this->page->present($case, $signed));
    }

    public function agree(ConsentRequest $request, CareCase $case, string $paper): JsonResponse
    {
        return new JsonResponse(
            $this->page->present(
                $case,
                $this->write->agree($case, self::paper($case, $paper), self::person($request), $request->consent()),
            ),
        );
    }

    public function withdraw(Request $request, CareCase $case, string $paper): JsonResponse
    {
        return new JsonResponse(
            $this->page->present(
                $case,
                $this->write->withdraw($case, self::paper($case, $paper), self::person($request)),
            ),
        );
    }

    public function discard(Request $request, CareCase $case, string $paper): JsonResponse
    {
        $this->write->discard($case, self::paper($case, $paper), self::person($request));

        return new JsonResponse(['stored' => true]);
    }

    public function file(PaperFileRequest $request, CareCase $case, string $paper, AskForFile $ask): JsonResponse
    {
        $found = self::paper($case, $paper);
        $obstacle = $found->obstacle($this->write->diagnosisNamed($case, $found));
        if ($obstacle !== null) {
            throw ValidationException::withMessages(['paper' => $obstacle]);
        }
        AccessLog::exported(
            self::person($request),
            'exported a paper: ' . lcfirst($found->kind->title()),
            [$case->id],
            $case->athlete_id,
        );
        $name =
            Str::slug("{$found->kind->title()} {$case->athlete->name} {$found->current()->paper()->on->toIso()}") .
            '.pdf';
        $file = $ask->handle(self::person($request), $case, FileKind::Paper, $name, PaperFile::STEPS, [
            'paper' => $found->id,
            'size' => $request->string('size')->value(),
        ]);

        return new JsonResponse(MadeFileResource::make($file->refresh()), 202);
    }

    private static function paper(CareCase $case, string $id): Paper
    {
        return Paper::query()->where('case_id', $case->id)->findOrFail($id);
    }
}
