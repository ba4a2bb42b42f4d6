<?php

declare(strict_types=1);

namespace Tests\Operations;

use Tests\Feature\OpeningTest;

/** The same thing sent many times at one moment. */
final class AtOnceTest extends TestCase
{
    protected function setUp(): void
    {
        self::owner()->exec('delete from sign_in_tries');
    }

    public function testManyTriesAtOncePassNoLimit(): void
    {
        $tries = self::atOnce(
            24,
            static fn() => self::request('POST', '/api/session', [
                'email' => 'ren.castellan@ropewalk.example',
                'password' => 'wrong',
            ]),
        );
        $statuses = array_count_values(array_column($tries, 'status'));
        self::assertSame([422 => 5, 429 => 19], array_replace([422 => 0, 429 => 0], $statuses));
    }

    public function testAnInvitationIsUsedOnce(): void
    {
        $ola = self::practitioner();
        $case = self::ask('GET', '/api/round', null, $ola)['json']['cases'][0]['id'];
        $link = self::ask('POST', "/api/cases/$case/invitation", [], $ola)['json']['link'];
        $joined = self::atOnce(
            6,
            static fn() => self::request('POST', '/api/join', [
                'token' => explode('#', $link)[1],
                'password' => '482915',
            ]),
        );
        self::assertEquals([201 => 1, 422 => 5], array_count_values(array_column($joined, 'status')));
    }

    public function testAnOpeningThatIsSentEightTimesOpensOneCase(): void
    {
        $ola = self::practitioner();
        $opening = self::opening([
            'id' => '0198c3a4-0000-7000-8000-00000000000a',
            'athlete' => [
                'name' => 'Sunna Breck',
                'act' => null,
                'body_mass_kg' => 59.5,
                'email' => 'sunna.breck@ropewalk.example',
            ],
        ]);
        $opened = self::atOnce(8, static fn() => self::request('POST', '/api/cases', $opening, $ola));
        self::assertEquals(
            [201 => 1, 200 => 7],
            array_count_values(array_column($opened, 'status')),
            $opened[0]['body'],
        );
        self::assertSame(
            [$opening['id']],
            array_values(array_unique(array_map(static fn(array $row): string => $row['json']['id'], $opened))),
        );
        self::assertSame(
            '1',
            (string) self::owner()->query("select count(*) from athletes where name = 'Sunna Breck'")->fetchColumn(),
        );
    }

    public function testAVisitThatIsEndedEightTimesIsOneLine(): void
    {
        $ola = self::practitioner();
        $case = (string) self::owner()
            ->query(
                "select c.id from cases as c join users as u on u.practice_id = c.practice_id join accounts as a on a.id = u.account_id where a.email = 'ola.vance@ropewalk.example' and c.closed_on is null limit 1",
            )
            ->fetchColumn();
        $visit = [
            'id' => '0198c3a4-0000-7000-8000-0000000000ee',
            'began' => gmdate('Y-m-d\\TH:i:s\\Z'),
            'note' => 'Seen at the table',
        ];
        $ended = self::atOnce(8, static fn() => self::request('POST', "/api/cases/$case/visits", $visit, $ola));
        self::assertEquals([201 => 1, 200 => 7], array_count_values(array_column($ended, 'status')), $ended[0]['body']);
        self::assertSame(
            '1',
            (string) self::owner()
                ->query("select count(*) from decisions where kind = 'visit' and case_id = '$case'")
                ->fetchColumn(),
        );
    }

    public function testTheSameNewAddressAtOneMomentIsOneCaseAndSevenClearRefusals(): void
    {
        $ola = self::practitioner();
        $opened = self::atOnce(
            8,
            static fn(int $i) => self::request(
                'POST',
                '/api/cases',
                self::opening([
                    'id' => "0198c3a4-0000-7000-8000-0000000000b$i",
                    'athlete' => [
                        'name' => 'Perrin Tolliver',
                        'act' => null,
                        'body_mass_kg' => 70,
                        'email' => $i % 2 === 0 ? 'Perrin@ropewalk.example' : 'perrin@ropewalk.example',
                    ],
                ]),
                $ola,
            ),
        );
        self::assertEquals(
            [201 => 1, 422 => 7],
            array_count_values(array_column($opened, 'status')),
            $opened[0]['body'],
        );
        foreach ($opened as $answer) {
            if ($answer['status'] === 422) {
                self::assertSame(
                    ['Email is used to sign in already; use another.'],
                    $answer['json']['errors']['athlete.email'] ?? null,
                );
            }
        }
        self::assertSame(
            '1',
            (string) self::owner()
                ->query("select count(*) from athletes where name = 'Perrin Tolliver'")
                ->fetchColumn(),
        );
    }

    /**
     * @param array<string, mixed> $own
     *
     * @return array<string, mixed>
     */
    private static function opening(array $own): array
    {
        $later = date('Y-m-d', time() + 60 * 86400);

        return OpeningTest::opening($own + ['goal_on' => $later, 'advice_until' => $later, 'events' => []]);
    }
}
