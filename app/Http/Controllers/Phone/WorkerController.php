<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use Illuminate\Http\Response;
use RuntimeException;

/** The script that keeps the athlete's side on the phone: which files make it up is read off the build. */
final class WorkerController
{
    private const ENTRY = 'web/athlete.tsx';

    /** Files of the athlete's side that no build makes. */
    private const BESIDE = ['icon.svg', 'icon-192.png', 'athlete.webmanifest'];

    /** Where the built worker names what it keeps: the place that its library looks for. */
    private const PLACE = 'self.__WB_MANIFEST';

    public function __invoke(): Response
    {
        $worker = (string) file_get_contents(public_path('build/worker.js'));
        $kept = json_encode($this->kept(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);

        return new Response(str_replace(self::PLACE, $kept, $worker), 200, [
            'Content-Type' => 'text/javascript',
            'Cache-Control' => 'no-cache',
            'Service-Worker-Allowed' => '/athlete',
        ]);
    }

    /** @return list<array{url: string, revision: ?string}> a file whose name changes with it needs no revision */
    private function kept(): array
    {
        $files = $this->files();
        $page = ['url' => '/athlete', 'revision' => hash('xxh64', view('athlete')->render())];
        $parts = array_map(static fn(string $file): array => ['url' => "/build/$file", 'revision' => null], $files);
        $beside = array_map(
            static fn(string $file): array => [
                'url' => "/$file",
                'revision' => (string) hash_file('xxh64', public_path($file)),
            ],
            self::BESIDE,
        );

        return [$page, ...$parts, ...$beside];
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
