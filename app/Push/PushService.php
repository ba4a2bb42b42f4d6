<?php

declare(strict_types=1);

namespace App\Push;

use App\Models\Push;

/** Brings what stands in `pushes` onto a phone. A real one (Web Push) takes the place of the stand-in in AppServiceProvider. */
interface PushService
{
    public function bring(Push $push): void;
}
