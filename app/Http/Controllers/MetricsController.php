<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Support\Health;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Numbers of the installation for a monitor, as Prometheus reads them; for whoever has the key of this machine. */
final class MetricsController
{
    public function __invoke(Request $request, Health $health): Response
    {
        $key = config('app.metrics_key');
        abort_unless(is_string($key) && $key !== '' && hash_equals($key, (string) $request->bearerToken()), 404);
        $text = '';
        foreach ($health->numbers() as $name => [$what, $number]) {
            $text .= "# HELP $name $what\n# TYPE $name gauge\n$name $number\n";
        }

        return new Response($text, 200, [
            'Content-Type' => 'text/plain; version=0.0.4; charset=utf-8',
            'Cache-Control' => 'no-store',
        ]);
    }
}
