<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\MadeFileResource;
use App\Models\FileState;
use App\Models\MadeFile;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Files that are made in the background: how far they are, fetching them, cancelling them. Whoever asked for one alone sees it. */
final class MadeFileController extends Controller
{
    public function show(Request $request, string $file): JsonResponse
    {
        return new JsonResponse(MadeFileResource::make(self::file($request, $file)));
    }

    public function content(Request $request, string $file): StreamedResponse
    {
        $found = self::file($request, $file);
        if ($found->state !== FileState::Ready || !Storage::exists($found->path())) {
            throw new ConflictHttpException(
                $found->state->isOver()
                    ? 'This file is not kept any more. Ask for it again.'
                    : 'This file is still being made. Try again in a few seconds.',
            );
        }

        return Storage::download($found->path(), $found->name, [
            'Content-Type' => $found->kind->type(),
            'Cache-Control' => 'no-store, private',
        ]);
    }

    public function cancel(Request $request, string $file): JsonResponse
    {
        $found = self::file($request, $file);
        MadeFile::query()
            ->whereKey($found->id)
            ->whereIn('state', [FileState::Waiting, FileState::Making])
            ->update(['state' => FileState::Cancelled, 'finished_at' => CarbonImmutable::now()]);

        return new JsonResponse(MadeFileResource::make($found->refresh()));
    }

    private static function file(Request $request, string $id): MadeFile
    {
        return MadeFile::query()->where('user_id', self::person($request)->id)->findOrFail($id);
    }
}
