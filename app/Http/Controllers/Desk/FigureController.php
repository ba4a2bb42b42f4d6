<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\FigureRange;
use App\Http\Requests\Desk\FiguresRequest;
use App\Support\CatalogueShelf;
use App\Support\FigureShelf;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How exercises are drawn. */
final class FigureController extends Controller
{
    public function __construct(private readonly CatalogueShelf $catalogue, private readonly FigureShelf $figures) {}

    public function show(FigureRange $request, string $exercise): JsonResponse
    {
        $practice = self::person($request)->practice_id;
        $catalogue = $this->catalogue->forPractice($practice);
        $range = $request->range();
        $version = implode('|', [
            $this->figures->version(),
            $practice,
            $exercise,
            $catalogue->versions["exercise/$exercise"] ?? 0,
            $range?->from_deg,
            $range?->to_deg,
        ]);

        return self::unlessKnown(
            $request,
            hash('xxh128', $version),
            fn(): array => $this->figures->drawn($exercise, $catalogue, $range) ??
                throw new NotFoundHttpException('No figure of that exercise.'),
        );
    }

    /** Several at once, each at the end that shows it best: the small pictures of a ladder. Unknown ones are left out. */
    public function stills(FiguresRequest $request): JsonResponse
    {
        $keys = $request->exercises();
        $practice = self::person($request)->practice_id;
        $catalogue = $this->catalogue->forPractice($practice);
        $version = implode('|', [
            $this->figures->version(),
            $practice,
            ...array_map(static fn(string $key): string => $key . ($catalogue->versions["exercise/$key"] ?? 0), $keys),
        ]);

        return self::unlessKnown($request, hash('xxh128', $version), function () use ($keys, $catalogue): array {
            $stills = [];
            foreach ($keys as $key) {
                $still = $this->figures->still($key, $catalogue);
                if ($still !== null) {
                    $stills[$key] = $still;
                }
            }

            return ['figures' => (object) $stills];
        });
    }
}
