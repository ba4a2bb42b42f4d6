<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Practice;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Illuminate\Auth\AuthenticationException;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Time\Day;

/** Requests that depend on the practice of whoever asks: its day, and its library. */
trait AsksPractice
{
    /** Today in the practice's zone. */
    public function today(): Day
    {
        return Clock::today($this->practice()->timezone);
    }

    public function catalogue(): Catalogue
    {
        return app(CatalogueShelf::class)->forPractice($this->practice()->id);
    }

    /** The last day for which something can be arranged today: a year and a day ahead. */
    private function lastDay(): Day
    {
        return $this->today()->plus(366);
    }

    private function practice(): Practice
    {
        $person = $this->user();

        return $person instanceof User ? $person->practice : throw new AuthenticationException();
    }
}
