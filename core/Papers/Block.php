<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Input\ObjectNode;

/** One part of a paper. */
final readonly class Block
{
    /** Letters that a text may have. */
    public const LONGEST = 4000;

    /**
     * @param list<string> $columns of a table
     * @param list<list<string>> $rows of a table, or of exercises: title, dose, how it is done, what it feels like, faults, limit of pain, and its figure (exercise, degrees from and to); papers drafted before there were figures lack the last
     */
    private function __construct(
        public string $key,
        public BlockKind $kind,
        public ?string $heading,
        public string $text = '',
        public array $columns = [],
        public array $rows = [],
        public ?CaseCourse $course = null,
        public ?MeasureCurve $curve = null,
    ) {}

    /** @param list<?string> $sentences those that are null or empty are left out */
    public static function text(string $key, ?string $heading, array $sentences): self
    {
        return new self(
            $key,
            BlockKind::Text,
            $heading,
            trim(
                implode(
                    ' ',
                    array_filter(
                        $sentences,
                        static fn(?string $sentence): bool => $sentence !== null && $sentence !== '',
                    ),
                ),
            ),
        );
    }

    /**
     * @param list<string> $columns
     * @param list<list<string>> $rows
     */
    public static function table(string $key, ?string $heading, array $columns, array $rows): self
    {
        return new self($key, BlockKind::Table, $heading, columns: $columns, rows: $rows);
    }

    /** @param list<list<string>> $rows */
    public static function exercises(string $key, ?string $heading, array $rows): self
    {
        return new self($key, BlockKind::Exercises, $heading, rows: $rows);
    }

    public static function course(string $key, ?string $heading, CaseCourse $course): self
    {
        return new self($key, BlockKind::Course, $heading, course: $course);
    }

    public static function curve(string $key, ?string $heading, MeasureCurve $curve): self
    {
        return new self($key, BlockKind::Curve, $heading, curve: $curve);
    }

    public function withText(string $text): self
    {
        return new self(
            $this->key,
            $this->kind,
            $this->heading,
            $text,
            $this->columns,
            $this->rows,
            $this->course,
            $this->curve,
        );
    }

    /** Whether there is anything in it to show. */
    public function isEmpty(): bool
    {
        return match ($this->kind) {
            BlockKind::Text => $this->text === '',
            BlockKind::Table, BlockKind::Exercises => $this->rows === [],
            BlockKind::Course => $this->course === null || $this->course->scores === [],
            BlockKind::Curve => $this->curve === null || $this->curve->points === [],
        };
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->choice('kind', BlockKind::class),
            $node->textOrNull('heading'),
            $node->textOrNull('text') ?? '',
            $node->textsOrNull('columns') ?? [],
            $node->eachOrEmpty('rows', static fn(ObjectNode $row): array => $row->textsOrNull('cells') ?? []),
            $node->childOrNull('course', CaseCourse::read(...)),
            $node->childOrNull('curve', MeasureCurve::read(...)),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'key' => $this->key,
                'kind' => $this->kind->value,
                'heading' => $this->heading,
                'text' => $this->kind === BlockKind::Text ? $this->text : null,
                'columns' => $this->columns === [] ? null : $this->columns,
                'rows' =>
                    $this->rows === []
                        ? null
                        : array_map(static fn(array $cells): array => ['cells' => $cells], $this->rows),
                'course' => $this->course?->toArray(),
                'curve' => $this->curve?->toArray(),
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
