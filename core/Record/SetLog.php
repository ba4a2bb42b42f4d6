<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\Fault;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Table\Sheet;

/** The sets of one exercise as a rep counter or a force gauge wrote them down (docs/formats/set-log.md). */
final readonly class SetLog
{
    public const FORMAT = 'rung-sets/1';

    private const LONGEST_NAME = 80;

    private const COLUMNS = ['set', 'side', 'reps', 'hold_s', 'work_s', 'load_kg', 'height_cm'];

    /** @param list<LoggedSet> $sets in the order in which they were done, 1 to 20 */
    private function __construct(public ?string $device, public array $sets) {}

    /**
     * Of a JSON text, or of a table with the names of columns on top.
     *
     * @throws InvalidInput with every fault
     */
    public static function read(string $text): self
    {
        return str_starts_with(ltrim($text, "\u{FEFF} \r\n\t"), '{') ? self::fromJson($text) : self::fromTable($text);
    }

    private static function fromJson(string $text): self
    {
        return Json::read($text, static function (ObjectNode $node): self {
            if ($node->text('format') !== self::FORMAT) {
                $node->fault('format', 'must be "' . self::FORMAT . '"');
            }
            $device = trim($node->textOrNull('device') ?? '');
            if (mb_strlen($device) > self::LONGEST_NAME) {
                $node->fault('device', 'must have at most ' . self::LONGEST_NAME . ' letters');
            }
            $rows = $node->each('sets', static fn(ObjectNode $set): array => self::row($set));
            $sets = self::joined($rows);
            if ($sets === [] || count($sets) > Dose::MAX_SETS) {
                $node->fault('sets', 'must hold 1 to ' . Dose::MAX_SETS . ' sets of one exercise');
            }

            return new self($device === '' ? null : $device, $sets);
        });
    }

    private static function fromTable(string $text): self
    {
        $sheet = Sheet::read($text);
        $names = array_map(static fn(string $column): string => strtolower(trim($column)), $sheet->columns);
        if (array_intersect(['reps', 'hold_s', 'work_s'], $names) === []) {
            throw InvalidInput::at(
                '/text',
                'must have a column reps, hold_s or work_s; known are ' . implode(', ', self::COLUMNS),
            );
        }
        $sets = [];
        foreach ($sheet->rows as $cells) {
            $set = [];
            foreach (self::COLUMNS as $name) {
                $column = array_search($name, $names, true);
                $cell = $column === false ? '' : $cells[$column] ?? '';
                if ($cell !== '') {
                    $number = str_replace(',', '.', $cell);
                    $set[$name] = is_numeric($number) ? $number + 0 : $cell;
                }
            }
            $sets[] = (object) $set;
        }
        try {
            return self::fromJson(json_encode(['format' => self::FORMAT, 'sets' => $sets], JSON_THROW_ON_ERROR));
        } catch (InvalidInput $bad) {
            // A row of the table is counted as people count: the names of the columns are the first.
            throw new InvalidInput(
                array_map(
                    static fn(Fault $fault): Fault => preg_match('#^/sets/(\d+)/(\w+)$#', $fault->path, $part) === 1
                        ? new Fault(
                            '/text',
                            'has in line ' .
                                array_keys($sheet->rows)[(int) $part[1]] .
                                ", column $part[2], what cannot be: it $fault->message",
                        )
                        : new Fault('/text', $fault->message),
                    $bad->faults,
                ),
            );
        }
    }

    /** @return array{int|null, Side|null, LoggedSet} its number, the limb that did it, and what was done */
    private static function row(ObjectNode $node): array
    {
        $side = $node->choiceOrNull('side', Side::class);
        if ($side === Side::Both) {
            $node->fault('side', 'must be "left" or "right"; leave it out where both work at once');
        }
        $set = new LoggedSet(
            $node->wholeOrNull('reps', 0, Dose::MAX_REPS),
            $node->numberOrNull('hold_s', 0, Dose::MAX_HOLD_S),
            $node->numberOrNull('work_s', 0, Dose::MAX_HOLD_S),
            $node->numberOrNull('load_kg', 0, 1000),
            height_cm: $node->numberOrNull('height_cm', 0, 300),
        );
        if ($set->reps === null && $set->hold_s === null && $set->work_s === null) {
            $node->fault('reps', 'must be given, or hold_s, or work_s');
        }

        return [$node->wholeOrNull('set', 1, Dose::MAX_SETS), $side, $set];
    }

    /**
     * What the two limbs did of the same set is one set.
     *
     * @param list<array{int|null, Side|null, LoggedSet}> $rows
     *
     * @return list<LoggedSet>
     */
    private static function joined(array $rows): array
    {
        $sets = [];
        $last = null;
        foreach ($rows as [$number, $side, $set]) {
            $own = $side === null ? null : new SideSet($set->reps, $set->hold_s, $set->work_s);
            $before = $sets[count($sets) - 1] ?? null;
            $isOther =
                $own !== null &&
                $before !== null &&
                $number !== null &&
                $number === $last &&
                ($side === Side::Left
                    ? $before->left === null && $before->right !== null
                    : $before->right === null && $before->left !== null);
            if ($isOther) {
                array_pop($sets);
            }
            $sets[] = new LoggedSet(
                $own === null ? $set->reps : null,
                $own === null ? $set->hold_s : null,
                $own === null ? $set->work_s : null,
                $set->load_kg ?? ($isOther ? $before->load_kg : null),
                height_cm: $set->height_cm,
                left: $side === Side::Left ? $own : ($isOther ? $before->left : null),
                right: $side === Side::Right ? $own : ($isOther ? $before->right : null),
            );
            $last = $number;
        }

        return $sets;
    }
}
