<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasureGate;
use Rung\Core\Measuring\Taken;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Response\Log;
use Rung\Core\Stage\OverTest;

/** A measure that the gate of the present stage needs again (docs/rules.md, "Measures over time"). */
final readonly class DueTest
{
    private function __construct(
        public string $test,
        public string $title,
        /** Days since it was measured last; null where it never was. */
        public ?int $daysAgo,
        /** Days within which the gate needs it. */
        public int $withinDays,
    ) {}

    /** @return list<self> in the order of the gate, each measure once */
    public static function all(Log $log, Catalogue $catalogue): array
    {
        $due = [];
        foreach ($log->stage->gate as $criterion) {
            if ($criterion instanceof OverTest && !isset($due[$criterion->test])) {
                $measure = $catalogue->measure($criterion->test);
                $course = MeasureCourse::build(
                    $measure,
                    array_map(Taken::ofTest(...), self::taken($log, $criterion->test)),
                    $log->file->case->side === Side::Both,
                    null,
                );
                $gate = MeasureGate::judge($criterion, $course, $log->today);
                if ($gate->isDue) {
                    $due[$criterion->test] = new self(
                        $criterion->test,
                        $measure->title,
                        $gate->daysAgo,
                        $criterion->countsForDays(),
                    );
                }
            }
        }

        return array_values($due);
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('test'),
            $node->text('title'),
            $node->wholeOrNull('days_ago'),
            $node->whole('within_days'),
        );
    }

    /** @return array{test: string, title: string, days_ago: int|null, within_days: int} */
    public function toArray(): array
    {
        return [
            'test' => $this->test,
            'title' => $this->title,
            'days_ago' => $this->daysAgo,
            'within_days' => $this->withinDays,
        ];
    }

    /** @return list<StrengthTest> */
    private static function taken(Log $log, string $test): array
    {
        return array_values(
            array_filter($log->file->tests, static fn(StrengthTest $taken): bool => $taken->test === $test),
        );
    }
}
