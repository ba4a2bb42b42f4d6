<?php

declare(strict_types=1);

namespace Rung\Core\Table;

/** What a column can say. */
final readonly class SheetField
{
    /** @param list<string> $names that a column may have which says it, the likeliest first */
    public function __construct(
        public string $key,
        public string $title,
        public bool $required,
        private array $names,
    ) {}

    /**
     * The column that is likeliest to say it, by its name.
     *
     * @param list<string> $columns
     * @param list<int> $taken by other fields
     */
    public function columnIn(array $columns, array $taken): ?int
    {
        $plain = array_map(
            static fn(string $name): string => trim((string) preg_replace('/\(.*\)|[^a-z_ ]/', '', strtolower($name))),
            $columns,
        );
        foreach ($this->names as $name) {
            foreach ($plain as $i => $column) {
                if (!in_array($i, $taken, true) && ($column === $name || str_starts_with($column, "$name "))) {
                    return $i;
                }
            }
        }

        return null;
    }
}
