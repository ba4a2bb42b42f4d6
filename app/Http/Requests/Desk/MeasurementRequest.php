<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\FindMeasure;
use App\Http\Requests\CoreRequest;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Measuring\Measurement;

/**
 * A measurement of a case, and whether a value far from the last was confirmed.
 *
 * @extends CoreRequest<array{Measurement, bool}>
 */
final class MeasurementRequest extends CoreRequest
{
    /** @return array{Measurement, bool} */
    protected function read(ObjectNode $node): array
    {
        $node->known('confirmed');
        $find = app(FindMeasure::class);
        $measurement = Measurement::read($node, fn(string $key): ?Measure => $find->byKey($this->careCase(), $key));

        return [$measurement, $node->flagOrNull('confirmed') ?? false];
    }
}
