<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\IntakeData;
use App\Http\Requests\CoreRequest;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Rung\Core\Input\ObjectNode;

/**
 * What is known of an athlete and a case beside what is logged.
 *
 * @extends CoreRequest<IntakeData>
 */
final class IntakeRequest extends CoreRequest
{
    protected function read(ObjectNode $node): IntakeData
    {
        $case = $this->careCase();

        return IntakeData::read(
            $node,
            app(CatalogueShelf::class)->forPractice($case->practice_id),
            Clock::today($case->practice->timezone),
        );
    }
}
