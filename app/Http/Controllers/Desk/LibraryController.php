<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\ChangeLibrary;
use App\Actions\LibraryChange;
use App\Http\Controllers\Controller;
use App\Http\Requests\CoreFaults;
use App\Http\Requests\Desk\LibraryCopyRequest;
use App\Http\Requests\Desk\LibraryItemRequest;
use App\Http\Resources\LibraryPage;
use App\Http\Resources\LibraryVersionResource;
use App\Models\LibraryItem;
use App\Models\LibraryKind;
use App\Support\CatalogueShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\School;
use Rung\Core\Catalogue\Search;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\CriterionType;
use Rung\Core\Words\Comparison;
use Rung\Core\Words\CourseWords;
use Rung\Core\Words\PartWords;

/** The library: what ships with Rung and the practice's own over it. */
final class LibraryController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly ChangeLibrary $change) {}

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse((new LibraryPage($this->catalogue($request)))->toArray());
    }

    public function search(Request $request): JsonResponse
    {
        $search = new Search($this->catalogue($request));
        $query = $request->string('q')->limit(200, '')->value();

        return new JsonResponse([
            'exercises' => array_map(
                static fn(Exercise $exercise): string => $exercise->key,
                $search->exercises($query),
            ),
            'programmes' => array_map(
                static fn(Programme $programme): string => $programme->key,
                $search->programmes($query),
            ),
        ]);
    }

    public function compare(Request $request): JsonResponse
    {
        $catalogue = $this->catalogue($request);
        $kind = $request->enum('kind', LibraryKind::class);
        [$a, $b] = CoreFaults::refusing(
            static fn(): array => array_map(
                static fn(string $side) => ($kind === null
                    ? null
                    : ChangeLibrary::find($catalogue, $kind, $request->string($side)->value())) ??
                    throw InvalidInput::at("/$side", 'must name something of the library'),
                ['a', 'b'],
            ),
        );
        $comparison = new Comparison($catalogue);
        $points = match (true) {
            $a instanceof Programme && $b instanceof Programme => $comparison->programmes($a, $b),
            $a instanceof School && $b instanceof School => $comparison->rules($a, $b),
            default => CoreFaults::refusing(
                static fn() => throw InvalidInput::at('/kind', 'must be programme or rule: those can be compared'),
            ),
        };

        return new JsonResponse(['a' => $a->title, 'b' => $b->title, 'points' => $points]);
    }

    /** How a programme goes over weeks, played for two made-up athletes. */
    public function course(Request $request, string $key): JsonResponse
    {
        $catalogue = $this->catalogue($request);
        $programme = $catalogue->programmes[$key] ?? abort(404);
        $asked = $request->enum('structure', Structure::class);
        $structure = CoreFaults::refusing(
            static fn(): Structure => $asked !== null && in_array($asked, $programme->structures, true)
                ? $asked
                : throw InvalidInput::at('/structure', 'must be one that the programme is for'),
        );

        return new JsonResponse((new CourseWords($catalogue))->describe($programme, $structure));
    }

    public function item(Request $request, LibraryKind $kind, string $key): JsonResponse
    {
        $found = ChangeLibrary::find($this->catalogue($request), $kind, $key) ?? abort(404);
        $versions = LibraryItem::query()
            ->where('kind', $kind)
            ->where('key', $key)
            ->with('author')
            ->orderByDesc('version')
            ->get();

        return new JsonResponse([
            'kind' => $kind->value,
            'key' => $key,
            'title' => $found->title,
            'version' => $versions->first()?->version,
            'content' => $found->toArray(),
            'parts' => self::parts($found),
            'versions' => LibraryVersionResource::collection($versions),
        ]);
    }

    /** @return array{criteria: list<array<string, mixed>>, levers: list<array<string, mixed>>} what a programme can be made of; of other items nothing */
    private static function parts(object $item): array
    {
        if (!($item instanceof Programme)) {
            return ['criteria' => [], 'levers' => []];
        }
        $first = $item->plan->prescriptions()[0]->key ?? '';
        $measure = $item->severityMeasure ?? 'severity_score';

        return [
            'criteria' => array_map(
                static fn(CriterionType $criterionType): array => [
                    'key' => $criterionType->value,
                    'title' => PartWords::criterion($criterionType),
                    'content' => PartWords::newCriterion($criterionType, $first, $measure),
                ],
                CriterionType::cases(),
            ),
            'levers' => array_map(
                static fn(LeverKind $leverKind): array => [
                    'key' => $leverKind->value,
                    'title' => PartWords::lever($leverKind),
                    'content' => PartWords::newLever($leverKind),
                ],
                LeverKind::cases(),
            ),
        ];
    }

    public function copy(LibraryCopyRequest $request): JsonResponse
    {
        [$kind, $key] = $request->value();
        $item = $this->change->copy(self::person($request), $kind, $key);

        return new JsonResponse(['kind' => $item->kind->value, 'key' => $item->key, 'version' => $item->version], 201);
    }

    public function save(LibraryItemRequest $request, LibraryKind $kind, string $key): JsonResponse
    {
        $item = $this->change->save(self::person($request), $kind, $key, $request->itemContent(), $request->basedOn());

        return new JsonResponse(['kind' => $item->kind->value, 'key' => $item->key, 'version' => $item->version]);
    }

    public function withdraw(Request $request, LibraryKind $kind, string $key): JsonResponse
    {
        $this->change->withdraw(self::person($request), $kind, $key);

        return new JsonResponse(['stored' => true]);
    }

    public function export(Request $request): Response
    {
        $items = $this->shelf->items(self::person($request)->practice_id);
        $json = CatalogueShelf::document($items);
        $pretty = json_encode(
            json_decode($json),
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
        );

        return new Response($pretty, 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="library.json"',
        ]);
    }

    public function import(Request $request): JsonResponse
    {
        $count = $this->change->import(self::person($request), $request->getContent());

        return new JsonResponse(['items' => $count], 201);
    }

    /** What taking in a file would change, before it is done. */
    public function importing(Request $request): JsonResponse
    {
        $changes = $this->change->changes(self::person($request), $request->getContent());

        return new JsonResponse([
            'changes' => array_map(
                static fn(LibraryChange $libraryChange): array => $libraryChange->toArray(),
                $changes,
            ),
        ]);
    }

    private function catalogue(Request $request): Catalogue
    {
        return $this->shelf->forPractice(self::person($request)->practice_id);
    }
}
