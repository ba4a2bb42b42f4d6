<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Record\Sign;

/** Picks the stop signs out of what was reported. */
final class StopSigns
{
    /**
     * @param list<Sign> $signs
     *
     * @return list<Sign> the stop signs, by name, each once
     */
    public static function among(array $signs): array
    {
        $stops = [];
        foreach ($signs as $sign) {
            if ($sign->isStop()) {
                $stops[$sign->value] = $sign;
            }
        }
        ksort($stops);

        return array_values($stops);
    }
}
