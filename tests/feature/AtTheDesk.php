<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use Illuminate\Testing\TestResponse;

/** What the tests of the practitioner's side share. */
trait AtTheDesk
{
    /** @return list<string> */
    private static function texts(mixed $values): array
    {
        self::assertIsArray($values);

        return array_map(self::text(...), array_values($values));
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function decide(CareCase $case, array $body): TestResponse
    {
        return $this->ask(
            $this->practitioner(),
            'POST',
            "/api/cases/$case->id/decisions",
            $body + ['revision' => $case->refresh()->revision],
        );
    }

    /** @return array<string, mixed> what a decision can change of a case, as the desk sees it */
    private function seen(CareCase $case): array
    {
        $page = $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id");

        $seen = [];
        foreach (
            [
                'standing.stage',
                'standing.action',
                'stage_from',
                'prescriptions',
                'stops',
                'rule',
                'review_on',
                'closed_on',
                'gate',
                'coming',
            ]
            as $path
        ) {
            $seen[$path] = $page->json($path);
        }

        return $seen;
    }
}
