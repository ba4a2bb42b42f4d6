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
    curl_setopt_array($handle, $options + [
        CURLOPT_URL => $url, CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar,
        CURLOPT_HTTPHEADER => ['Accept: application/json'], CURLOPT_HEADER => true,
    ]);
    $begin = hrtime(true);
    $answer = (string) curl_exec($handle);

    return [(hrtime(true) - $begin) / 1e6, curl_getinfo($handle, CURLINFO_RESPONSE_CODE), $answer];
}

[, , $answer] = fetch("$base/api/session", $jar);
preg_match('/XSRF-TOKEN=([^;]+)/', $answer, $token);
[, $status] = fetch("$base/api/session", $jar, [
    CURLOPT_POSTFIELDS => json_encode(['email' => 'ola.vance@ropewalk.example', 'password' => getenv('DEMO_PASSWORD')]),
    CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'X-XSRF-TOKEN: ' . urldecode($token[1] ?? '')],
]);
if ($status !== 200) {
    fwrite(STDERR, "could not sign in ($status)\n");
    exit(1);
}

$pages = ['bare framework route' => '/bare', 'sign-in page' => '/sign-in', 'the Round' => '/api/round'];
$times = array_fill_keys(array_keys($pages), []);
for ($i = 0; $i < 220; $i++) {
    foreach ($pages as $name => $path) {
        [$ms, $status] = fetch($base . $path, $jar);
        if ($status !== 200) {
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
        "server, %-20s %6.0f requests/s one after the other, 95th percentile %.1f ms, %.2f times the bare route\n",
        $name,
        1000 * count($taken) / array_sum($taken),
        $late,
        $late / $bare,
    );
}
unlink($jar);
