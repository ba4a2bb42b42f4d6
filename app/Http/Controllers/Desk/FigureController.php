<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\FigureRange;
use App\Support\CatalogueShelf;
use App\Support\FigureShelf;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How an exercise is drawn. */
final class FigureController extends Controller
{
    public function __construct(private readonly CatalogueShelf $catalogue, private readonly FigureShelf $figures) {}

    public function __invoke(FigureRange $request, string $exercise): JsonResponse
    {
        $practice = self::person($request)->practice_id;
        $catalogue = $this->catalogue->of($practice);
        $range = $request->range();
        $version = implode('|', [$this->figures->version(), $practice, $exercise, $catalogue->versions["exercise/$exercise"] ?? 0, $range?->from_deg, $range?->to_deg]);

        return self::unlessKnown($request, hash('xxh128', $version), fn(): array => $this->figures->drawn($exercise, $catalogue, $range) ?? throw new NotFoundHttpException('No figure of that exercise.'));
    }
}
