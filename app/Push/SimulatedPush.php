<?php

declare(strict_types=1);

namespace App\Push;

use App\Models\Push;

/**
 * The push service that ships with Rung: nothing leaves the machine. What is pushed waits in its row until the phone's
 * page, open or in the background, asks for it (`GET /api/today/phones/{phone}/pushes`) and shows it as a notification.
 */
final class SimulatedPush implements PushService
{
    public function bring(Push $push): void {}
}
