<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\User;
use App\Support\MeasureFile;
use App\Support\MeasureHistory;
use Illuminate\Support\Str;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Measuring\Measurement;
use Rung\Core\Measuring\Taken;

/** Takes in a test sheet: all of its rows, or none where one is at fault. What is there already is left out. */
final class ImportMeasures
{
    public function __construct(private readonly WriteCase $write, private readonly FindMeasure $find) {}

    /**
     * @return int how many became new
     *
     * @throws InvalidInput with every fault at its row, counted from 0
     */
    public function handle(CareCase $case, User $by, string $csv): int
    {
        $read = fn(ObjectNode $row): Measurement => Measurement::read(
            $row,
            fn(string $key): ?Measure => $this->find->byKey($case, $key),
        );
        $measurements = Json::read(
            json_encode(['rows' => MeasureFile::rows($csv)], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            static fn(ObjectNode $node): array => $node->each('rows', $read),
        );

        $stored = 0;
        $this->write->run($case, $by, 'took in a sheet of measures', static function (CareCase $case) use (
            $by,
            $measurements,
            &$stored,
        ): bool {
            foreach ($measurements as $i => $measurement) {
                if (self::isThere($case, $measurement)) {
                    continue;
                }
                try {
                    // A sheet is looked over before it is taken in: what is far from before is not asked about again.
                    RecordMeasurement::put($case, $by, Str::uuid()->toString(), $measurement, true);
                } catch (InvalidInput $bad) {
                    throw $bad->above("/rows/$i");
                }
                $stored++;
            }

            return $stored > 0;
        });

        return $stored;
    }

    public static function isThere(CareCase $case, Measurement $measurement): bool
    {
        [$affected, $unaffected] = [$measurement->ofAffected()?->best, $measurement->ofUnaffected()?->best];
        $same = array_filter(
            array_column(MeasureHistory::forCase($case)->course($measurement->measure)->points, 'taken'),
            static fn(Taken $taken): bool => $taken->on->number === $measurement->on->number &&
                $taken->affected == $affected &&
                $taken->unaffected == $unaffected,
        );

        return $same !== [];
    }
}
