<?php

declare(strict_types=1);

/*
 * The exact versions of all PHP packages, those that others need among them: composer.versions.json.
 *
 *   php support/serve/versions.php pin FILE     writes FILE, a composer.json that asks for exactly these
 *   php support/serve/versions.php check [dev]  fails, naming each difference, if vendor/ holds anything else
 *   php support/serve/versions.php accept       writes down what vendor/ holds now
 */

const VERSIONS = 'composer.versions.json';

/** @return array<string, array<string, string>> */
function document(string $file): array
{
    $read = json_decode((string) @file_get_contents($file), true);
    if (!is_array($read)) {
        fwrite(STDERR, "$file is missing or is not JSON\n");
        exit(1);
    }

    return $read;
}

/** @return array{require: array<string, string>, require-dev: array<string, string>} */
function installed(): array
{
    $read = document('vendor/composer/installed.json');
    $dev = array_flip($read['dev-package-names'] ?? []);
    $found = ['require' => [], 'require-dev' => []];
    foreach ($read['packages'] as $package) {
        $found[isset($dev[$package['name']]) ? 'require-dev' : 'require'][$package['name']] = $package['version'];
    }
    ksort($found['require']);
    ksort($found['require-dev']);

    return $found;
}

function store(string $file, mixed $content): void
{
    file_put_contents(
        $file,
        json_encode($content, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR) . "\n",
    );
}

switch ($argv[1] ?? '') {
    case 'pin':
        $asked = document('composer.json');
        foreach (document(VERSIONS) as $kind => $packages) {
            $asked[$kind] = array_replace($asked[$kind], $packages);
        }
        store($argv[2], $asked);
        exit(0);
    case 'check':
        $wanted = document(VERSIONS);
        $found = installed();
        $all = $found['require'] + $found['require-dev'];
        $known = $wanted['require'] + $wanted['require-dev'];
        $needed = $wanted['require'] + (($argv[2] ?? '') === 'dev' ? $wanted['require-dev'] : []);
        $differs = [];
        foreach ($needed as $name => $version) {
            if (($all[$name] ?? null) !== $version) {
                $differs[] = "$name: $version is recorded, " . ($all[$name] ?? 'nothing') . ' is installed';
            }
        }
        foreach (array_diff_key($all, $known) as $name => $version) {
            $differs[] = "$name: $version is installed, nothing is recorded";
        }
        fwrite(STDERR, implode("\n", $differs) . ($differs === [] ? '' : "\n"));
        exit($differs === [] ? 0 : 1);
    case 'accept':
        store(VERSIONS, installed());
        exit(0);
    default:
        fwrite(STDERR, "pin FILE, check [dev] or accept\n");
        exit(64);
}
