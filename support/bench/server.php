<?php

declare(strict_types=1);

// ./rung bench: pages of the running application against a bare framework route, in turn, in one run.

$base = $argv[1] ?? 'http://127.0.0.1:8082';
$jar = (string) tempnam(sys_get_temp_dir(), 'rung');

/** @param array<int, mixed> $options */
function fetch(string $url, string $jar, array $options = []): array
{
    static $handle = null;
    $handle ??= curl_init();
    curl_reset($handle);
    curl_setopt_array(
        $handle,
        $options + [
            CURLOPT_URL => $url,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEJAR => $jar,
            CURLOPT_COOKIEFILE => $jar,
            CURLOPT_HTTPHEADER => ['Accept: application/json'],
            CURLOPT_HEADER => true,
        ],
    );
    $begin = hrtime(true);
    $answer = (string) curl_exec($handle);

    return [(hrtime(true) - $begin) / 1e6, curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $answer];
}

[, $status] = fetch("$base/api/session", $jar, [
    CURLOPT_POSTFIELDS => json_encode(['email' => 'ola.vance@ropewalk.example', 'password' => getenv('DEMO_PASSWORD')]),
    CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json'],
]);
if ($status !== 200) {
    fwrite(STDERR, "could not sign in ($status)\n");
    exit(1);
}

/** The case of an athlete of exactly this name: copies of it bear longer ones. */
function caseOf(string $name, string $base, string $jar): string
{
    $after = '';
    do {
        [, , $answer] = fetch("$base/api/round?search=" . urlencode($name) . $after, $jar);
        $round = json_decode(substr($answer, (int) strpos($answer, '{"cases"')), true);
        foreach ($round['cases'] as $line) {
            if ($line['athlete']['name'] === $name) {
                return $line['id'];
            }
        }
        $after = '&after=' . urlencode((string) $round['next']);
    } while ($round['next'] !== null);
    fwrite(STDERR, "no case of $name\n");
    exit(1);
}

/** The Prescribe screen's preview of the case with the longest history, one dose changed. */
function previewBody(string $base, string $jar): array
{
    $id = caseOf('Ines Calloway', $base, $jar);
    [, , $answer] = fetch("$base/api/cases/$id/plan", $jar);
    $plan = json_decode(substr($answer, (int) strpos($answer, '{"id"')), true);
    $stage = array_values(
        array_filter($plan['stages'], static fn(array $one): bool => $one['prescriptions'] !== []),
    )[1];
    $prescriptions = array_column($stage['prescriptions'], 'prescription');
    $prescriptions[0]['dose']['sets']++;
    preg_match_all('/XSRF-TOKEN=([^;]+)/', $answer, $token);

    return [
        "/api/cases/$id/plan/preview",
        [
            CURLOPT_POSTFIELDS => json_encode(['stage' => $stage['key'], 'prescriptions' => $prescriptions]),
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Content-Type: application/json',
                'X-XSRF-TOKEN: ' . urldecode(end($token[1]) ?: ''),
            ],
        ],
    ];
}

$label = $argv[2] ?? 'demo practice';
[$preview, $options] = previewBody($base, $jar);
/** A page of the longest case as it asks again: with the version that it has. */
function pollOf(string $base, string $jar, string $preview): array
{
    $path = substr($preview, 0, -strlen('/plan/preview'));
    [, , $answer] = fetch($base . $path, $jar);

    return pollFrom($path, $answer);
}

function pollFrom(string $path, string $answer): array
{
    preg_match('/^ETag: (.*)$/mi', $answer, $found);

    return [$path, [CURLOPT_HTTPHEADER => ['Accept: application/json', 'If-None-Match: ' . trim($found[1] ?? '')]]];
}

[$case, $poll] = pollOf($base, $jar, $preview);
$pages = [
    'bare framework route' => ['/bare', []],
    'who is signed in' => ['/api/session', []],
    'a case, in full' => [$case, []],
    'a case, asked again' => [$case, $poll],
    'sign-in page' => ['/sign-in', []],
    'the Round' => ['/api/round', []],
    'a preview' => [$preview, $options],
];
$times = array_fill_keys(array_keys($pages), []);
for ($i = 0; $i < 220; $i++) {
    foreach ($pages as $name => [$path, $options]) {
        [$ms, $status, $answer] = fetch($base . $path, $jar, $options);
        if ($name === 'a case, asked again' && $status === 200) {
            // The page has changed since, as it does with the hour: asked again with the version that it has now.
            $pages[$name] = pollFrom($case, $answer);
            continue;
        }
        if ($status !== 200 && $status !== 304) {
            fwrite(STDERR, "$path answered $status\n");
            exit(1);
        }
        if ($i >= 20) {
            $times[$name][] = $ms;
        }
    }
}
$bare = null;
foreach ($times as $name => $taken) {
    sort($taken);
    $late = $taken[(int) (count($taken) * 0.95)];
    $bare ??= $late;
    printf(
        "server, %s, %-20s median %5.1f ms, 95th percentile %5.1f ms, %.2f times the bare route\n",
        $label,
        $name,
        $taken[intdiv(count($taken), 2)],
        $late,
        $late / $bare,
    );
}
unlink($jar);
