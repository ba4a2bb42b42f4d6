<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\LibraryItem;
use App\Models\LibraryKind;
use Closure;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\LibraryFile;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;

/** The catalogue as a practice has it: what ships with Rung, its own library over it, and what a case was given over both. */
final class CatalogueShelf
{
    /** @var array<string, Catalogue> by practice, for one request */
    private array $read = [];

    private ?Catalogue $shipped = null;

    /** @param Closure(): Catalogue $load reads what ships with Rung: only where something asks for it */
    public function __construct(private readonly Closure $load) {}

    /** What ships with Rung. */
    public function shipped(): Catalogue
    {
        return $this->shipped ??= ($this->load)();
    }

    public function forPractice(string $practiceId): Catalogue
    {
        return $this->read[$practiceId] ??= $this->withLibrary($practiceId);
    }

    /** With the exercises of the practice as they were when the case was given them. */
    public function forCase(CareCase $case, Plan $plan): Catalogue
    {
        $catalogue = $this->forPractice($case->practice_id);

        return $plan->exercises === [] ? $catalogue : $catalogue->with(exercises: array_values($plan->exercises));
    }

    /**
     * The versions in force of a practice's own items, by kind and key.
     *
     * @return array<string, LibraryItem>
     */
    public function items(string $practiceId): array
    {
        $items = [];
        foreach (LibraryItem::query()->where('practice_id', $practiceId)->orderBy('version')->get()->all() as $item) {
            $items["{$item->kind->value}/$item->key"] = $item;
        }

        return array_filter($items, static fn(LibraryItem $item): bool => !$item->withdrawn);
    }

    /** @param array<string, LibraryItem> $items by kind and key */
    public static function document(array $items): string
    {
        $lists = array_fill_keys(
            array_map(static fn(LibraryKind $kind): string => $kind->list(), LibraryKind::cases()),
            [],
        );
        foreach ($items as $item) {
            $lists[$item->kind->list()][] = json_decode($item->content, false, 32, JSON_THROW_ON_ERROR);
        }

        return json_encode(['format' => LibraryFile::FORMAT] + $lists, JSON_THROW_ON_ERROR);
    }

    /** After a change to a practice's library. */
    public function forget(string $practiceId): void
    {
        unset($this->read[$practiceId]);
    }

    private function withLibrary(string $practiceId): Catalogue
    {
        $items = $this->items($practiceId);
        if ($items === []) {
            return $this->shipped();
        }
        $document = self::document($items);
        try {
            $file = LibraryFile::read($document, $this->shipped(), $this->shipped());
        } catch (InvalidInput $overtaken) {
            // Sound when it was saved; what ships has changed since. Cases keep their copies and go on.
            report($overtaken);

            return $this->shipped();
        }

        return $file->catalogue->withVersions(array_map(static fn(LibraryItem $item): int => $item->version, $items));
    }
}
