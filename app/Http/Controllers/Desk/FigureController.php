<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\FigureRange;
use App\Support\CatalogueShelf;
use App\Support\FigureShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** How exercises are drawn. */
final class FigureController extends Controller
{
    private const LONGEST = 8000;

    /** Exercises that one question may name. */
    private const MOST = 120;

    public function __construct(private readonly CatalogueShelf $catalogue, private readonly FigureShelf $figures) {}

    public function show(FigureRange $request, string $exercise): JsonResponse
    {
        $practice = self::person($request)->practice_id;
        $catalogue = $this->catalogue->of($practice);
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
    public function stills(Request $request): JsonResponse
    {
        $request->validate(
            ['of' => ['required', 'string', 'max:' . self::LONGEST]],
            ['of' => 'Name the exercises, with commas between them, in at most ' . self::LONGEST . ' letters.'],
        );
        $keys = array_slice(array_values(array_unique(explode(',', $request->string('of')->value()))), 0, self::MOST);
        $practice = self::person($request)->practice_id;
        $catalogue = $this->catalogue->of($practice);
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
