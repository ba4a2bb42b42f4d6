<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Actions\OpeningData;
use App\Http\Requests\CoreRequest;
use App\Models\Practice;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Illuminate\Auth\AuthenticationException;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/**
 * What a practitioner found and chose when opening a case.
 *
 * @extends CoreRequest<OpeningData>
 */
final class OpeningRequest extends CoreRequest
{
    protected function read(ObjectNode $node): OpeningData
    {
        return OpeningData::read($node, $this->catalogue(), $this->today());
    }

    public function catalogue(): Catalogue
    {
        return app(CatalogueShelf::class)->forPractice($this->practice()->id);
    }

    public function today(): Day
    {
        return Clock::today($this->practice()->timezone);
    }

    private function practice(): Practice
    {
        $person = $this->user();

        return $person instanceof User ? $person->practice : throw new AuthenticationException();
    }
}
