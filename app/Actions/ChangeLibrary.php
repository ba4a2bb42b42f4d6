<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\AccessKind;
use App\Models\LibraryItem;
use App\Models\LibraryKind;
use App\Models\Practice;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Ladder;
use Rung\Core\Catalogue\LibraryFile;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\School;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;

/**
 * Changes a practice's own library. Every change passes the checks of the shipped catalogue together
 * with all else in the library, and adds a version; nothing that was is overwritten.
 */
final class ChangeLibrary
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /**
     * Copies an item into the practice's own library, under a key of its own.
     *
     * @throws InvalidInput
     */
    public function copy(User $by, LibraryKind $kind, string $from): LibraryItem
    {
        return $this->changing($by, function () use ($by, $kind, $from): LibraryItem {
            $catalogue = $this->shelf->forPractice($by->practice_id);
            $found =
                self::find($catalogue, $kind, $from) ??
                throw InvalidInput::at('/key', 'must name something of the library');
            $content =
                ['key' => self::freeKey($catalogue, $kind, $from), 'title' => "$found->title, our own"] +
                $found->toArray();

            return $this->add($by, $kind, $content['key'], json_encode($content, JSON_THROW_ON_ERROR), $from);
        });
    }

    /**
     * @param int $version that was changed
     *
     * @throws InvalidInput with faults inside the content
     * @throws StaleDecision where somebody else has saved a later version
     */
    public function save(User $by, LibraryKind $kind, string $key, string $content, int $version): LibraryItem
    {
        return $this->changing($by, function () use ($by, $kind, $key, $content, $version): LibraryItem {
            $latest = self::latest($by, $kind, $key);
            if ($latest->version !== $version) {
                throw new StaleDecision();
            }
            $fields = json_decode($content, false, 32);
            if (!is_object($fields) || ($fields->key ?? null) !== $key) {
                throw InvalidInput::at('/key', 'must stay as it is; copy the item for another');
            }

            return $this->add($by, $kind, $key, $content, $latest->based_on);
        });
    }

    /** @throws InvalidInput where something else of the library needs it */
    public function withdraw(User $by, LibraryKind $kind, string $key): void
    {
        $this->changing($by, function () use ($by, $kind, $key): void {
            $latest = self::latest($by, $kind, $key);
            $rest = array_diff_key($this->shelf->items($by->practice_id), ["$kind->value/$key" => true]);
            try {
                LibraryFile::read(CatalogueShelf::document($rest), $this->shelf->shipped(), $this->shelf->shipped());
            } catch (InvalidInput $needed) {
                throw InvalidInput::at(
                    '/key',
                    "is needed elsewhere in your library: {$needed->faults[0]->path} {$needed->faults[0]->message}",
                );
            }
            $this->store($by, $kind, $key, $latest->content, $latest->based_on, true);
        });
    }

    /**
     * Takes in a library file, all of it or nothing. What is in the library just so already gets no new version.
     *
     * @return int how many items became new or another
     *
     * @throws InvalidInput with every fault at its place in the file
     */
    public function import(User $by, string $json): int
    {
        return $this->changing($by, function () use ($by, $json): int {
            $changes = array_filter(
                $this->changes($by, $json),
                static fn(LibraryChange $libraryChange): bool => $libraryChange->what !== LibraryDifference::Same,
            );
            foreach ($changes as $change) {
                $this->store(
                    $by,
                    $change->kind,
                    $change->item->key,
                    json_encode($change->item->toArray(), JSON_THROW_ON_ERROR),
                    null,
                );
            }

            return count($changes);
        });
    }

    /**
     * What taking in a file would change. Nothing is stored.
     *
     * @return list<LibraryChange>
     *
     * @throws InvalidInput with every fault at its place in the file
     */
    public function changes(User $by, string $json): array
    {
        $now = $this->shelf->forPractice($by->practice_id);
        $file = LibraryFile::read($json, $this->shelf->shipped(), $now);
        $changes = [];
        foreach (LibraryKind::cases() as $kind) {
            $items = match ($kind) {
                LibraryKind::Exercise => $file->exercises,
                LibraryKind::Ladder => $file->ladders,
                LibraryKind::Programme => $file->programmes,
                LibraryKind::Rule => $file->schools,
                LibraryKind::Measure => $file->measures,
            };
            foreach ($items as $item) {
                $changes[] = LibraryChange::between($kind, $item, self::find($now, $kind, $item->key));
            }
        }

        return $changes;
    }

    public static function find(
        Catalogue $catalogue,
        LibraryKind $kind,
        string $key,
    ): Exercise|Ladder|Programme|School|Measure|null {
        return match ($kind) {
            LibraryKind::Exercise => $catalogue->exercises[$key] ?? null,
            LibraryKind::Ladder => $catalogue->ladders[$key] ?? null,
            LibraryKind::Programme => $catalogue->programmes[$key] ?? null,
            LibraryKind::Rule => $catalogue->schools[$key] ?? null,
            LibraryKind::Measure => $catalogue->measures[$key] ?? null,
        };
    }

    /**
     * One change after the other: two at once could each be sound and not together.
     *
     * @template T
     *
     * @param callable(): T $change
     *
     * @return T
     */
    private function changing(User $by, callable $change): mixed
    {
        try {
            return DB::transaction(static function () use ($by, $change): mixed {
                Practice::query()->lockForUpdate()->findOrFail($by->practice_id);

                return $change();
            });
        } finally {
            $this->shelf->forget($by->practice_id);
        }
    }

    /**
     * @param string $content JSON of the item
     *
     * @throws InvalidInput with paths inside the item
     */
    private function add(User $by, LibraryKind $kind, string $key, string $content, ?string $basedOn): LibraryItem
    {
        $list = $kind->list();
        try {
            $file = LibraryFile::read(
                '{"format":"' . LibraryFile::FORMAT . "\",\"$list\":[$content]}",
                $this->shelf->shipped(),
                $this->shelf->forPractice($by->practice_id),
            );
        } catch (InvalidInput $bad) {
            throw $bad->below("/$list/0");
        }
        $item = self::find($file->catalogue, $kind, $key);

        return $this->store($by, $kind, $key, json_encode($item?->toArray(), JSON_THROW_ON_ERROR), $basedOn);
    }

    private function store(
        User $by,
        LibraryKind $kind,
        string $key,
        string $content,
        ?string $basedOn,
        bool $withdrawn = false,
    ): LibraryItem {
        AccessLog::note(
            $by,
            AccessKind::Library,
            ($withdrawn ? 'withdrew' : ($basedOn === null ? 'changed' : 'copied')) . " the $kind->value “{$key}”",
        );

        return LibraryItem::query()->create([
            'practice_id' => $by->practice_id,
            'kind' => $kind,
            'key' => $key,
            'version' =>
                1 +
                (LibraryItem::query()->where('kind', $kind)->where('key', $key)->orderByDesc('version')->first()
                    ->version ??
                    0),
            'based_on' => $basedOn,
            'content' => $content,
            'withdrawn' => $withdrawn,
            'author_id' => $by->id,
            'created_at' => CarbonImmutable::now()->utc(),
        ]);
    }

    private static function latest(User $by, LibraryKind $kind, string $key): LibraryItem
    {
        return LibraryItem::query()
            ->where('practice_id', $by->practice_id)
            ->where('kind', $kind)
            ->where('key', $key)
            ->orderByDesc('version')
            ->firstOrFail();
    }

    private static function freeKey(Catalogue $catalogue, LibraryKind $kind, string $from): string
    {
        $base = 'our_' . preg_replace('/^our_|_\d+$/', '', $from);
        for (
            $key = $base, $n = 2;
            self::find($catalogue, $kind, $key) !== null ||
            LibraryItem::query()->where('kind', $kind)->where('key', $key)->exists();
            $n++
        ) {
            $key = "{$base}_$n";
        }

        return $key;
    }
}
