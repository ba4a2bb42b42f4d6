<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use Illuminate\Http\Response;
use RuntimeException;

/** The script that keeps the athlete's side on the phone: which files make it up is read off the build. */
final class WorkerController
{
    private const ENTRY = 'web/athlete.tsx';

    public function __invoke(): Response
    {
        $files = array_map(static fn(string $file): string => "/build/$file", $this->files());
        $script = (string) file_get_contents(resource_path('worker.js'));
        $filled = strtr($script, [
            '__FILES__' => json_encode(
                [...$files, '/icon.svg', '/athlete.webmanifest'],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES,
            ),
            '__VERSION__' => hash('xxh64', implode('|', $files) . $script),
        ]);

        return new Response($filled, 200, [
            'Content-Type' => 'text/javascript',
            'Cache-Control' => 'no-cache',
            'Service-Worker-Allowed' => '/athlete',
        ]);
    }

    /** @return list<string> every file that the athlete's side may load, those that are loaded later among them */
    private function files(): array
    {
        $manifest = json_decode((string) file_get_contents(public_path('build/manifest.json')), true);
        if (!is_array($manifest)) {
            throw new RuntimeException('the front end is not built');
        }
        $wanted = [self::ENTRY];
        $files = [];
        for ($i = 0; $i < count($wanted); $i++) {
            $chunk = $manifest[$wanted[$i]] ?? [];
            if (!is_array($chunk)) {
                continue;
            }
            foreach (['imports', 'dynamicImports'] as $kind) {
                $wanted = [...$wanted, ...array_diff(self::texts($chunk[$kind] ?? []), $wanted)];
            }
            array_push(
                $files,
                ...self::texts([$chunk['file'] ?? null]),
                ...self::texts($chunk['css'] ?? []),
                ...self::texts($chunk['assets'] ?? []),
            );
        }

        return array_values(array_unique($files));
    }

    /** @return list<string> */
    private static function texts(mixed $values): array
    {
        return array_values(array_filter(is_array($values) ? $values : [], is_string(...)));
    }
}
