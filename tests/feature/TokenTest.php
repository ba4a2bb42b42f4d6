<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Middleware\TokensRead;
use App\Models\AccessLogEntry;
use App\Models\ApiToken;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** Another system reads a practice by a token: what the desk reads, nothing else, and it is logged like a person. */
final class TokenTest extends TestCase
{
    protected function tearDown(): void
    {
        foreach (ApiToken::query()->get() as $token) {
            RateLimiter::clear("token $token->id");
        }
        parent::tearDown();
    }

    public function testATokenReadsWhatTheDeskReadsAndIsToldApartInTheLog(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $token = $this->token();
        self::assertStringNotContainsString(
            explode('|', $token)[1],
            (string) json_encode(ApiToken::query()->get()->toArray()),
            'its text is kept nowhere',
        );
        $this->by($token, 'GET', "/api/cases/$case->id")
            ->assertOk()
            ->assertJsonPath('athlete.name', 'Juno Tamsin');
        $this->by($token, 'GET', "/api/cases/$case->id/health-record")->assertOk();
        self::assertSame(
            [],
            $this->by($token, 'GET', '/api/round')->assertOk()->headers->getCookies(),
            'it leaves no session behind',
        );
        $this->by($token, 'GET', "/api/cases/$case->id/tables/sets.csv")->assertOk();
        self::assertTrue(
            AccessLogEntry::query()
                ->where('athlete_id', $case->athlete_id)
                ->where('user_id', $this->practitioner()->id)
                ->where('what', 'exported the health record (by the token “Statistics”)')
                ->exists(),
        );
        self::assertNotNull(ApiToken::query()->firstOrFail()->last_used_at);
    }

    /** @return iterable<string, array{string, string}> */
    public static function changes(): iterable
    {
        yield 'a decision' => ['POST', '/api/cases/{case}/decisions'];
        yield 'a paper' => ['POST', '/api/cases/{case}/papers'];
        yield 'an entry' => ['PUT', '/api/cases/{case}/check-ins/01a21bd7-1907-7256-b596-67066f67f15e'];
        yield 'a sheet' => ['POST', '/api/cases/{case}/sheets'];
        yield 'another token' => ['POST', '/api/practice/tokens'];
        yield 'the practice' => ['PUT', '/api/practice'];
        yield 'everything of an athlete' => ['POST', '/api/cases/{case}/archive'];
    }

    #[DataProvider('changes')]
    public function testATokenChangesNothing(string $method, string $path): void
    {
        $this->by($this->token(), $method, strtr($path, ['{case}' => $this->caseOf('Juno Tamsin')->id]), [
            'kind' => 'sheet',
            'name' => 'x',
            'days' => 3,
        ])
            ->assertStatus(403)
            ->assertJsonPath(
                'message',
                'This token reads and changes nothing. Sign in at the desk to change something.',
            );
    }

    public function testATokenReachesNeitherAnotherPracticeNorAPhone(): void
    {
        $token = $this->token();
        $this->by($token, 'GET', '/api/cases/' . $this->caseOf('Juno Tamsin', 'Another Practice')->id)->assertStatus(
            404,
        );
        $this->by($token, 'GET', '/api/today')->assertStatus(401);
        $this->by($token, 'GET', '/api/today/data')->assertStatus(401);
        $this->by($token, 'GET', '/api/files/01a21bd7-1907-7256-b596-67066f67f15e')->assertStatus(401);
    }

    public function testWhatIsNoTokenOrNoMoreOneOpensNothing(): void
    {
        $token = $this->token();
        [$id, $secret] = explode('|', $token);
        foreach (
            [
                '',
                'x',
                '|',
                "$id|",
                "$id|" . strrev($secret),
                "01a21bd7-1907-7256-b596-67066f67f15e|$secret",
                $secret,
                "$id|$secret|more",
                "\u{2028}|x",
                str_repeat('x', 5000),
            ]
            as $wrong
        ) {
            $this->by($wrong, 'GET', '/api/round')->assertStatus(401);
        }
        $this->by($token, 'GET', '/api/round')->assertOk();
        CarbonImmutable::setTestNow('2026-05-15T08:00:00+01:00');
        $this->by($token, 'GET', '/api/round')->assertStatus(401);
        CarbonImmutable::setTestNow(self::NOW);
        $this->ask($this->practitioner(), 'DELETE', "/api/practice/tokens/$id")
            ->assertOk()
            ->assertJsonPath('tokens', []);
        $this->by($token, 'GET', '/api/round')->assertStatus(401);
    }

    public function testATokenMayAskSoOftenAMinute(): void
    {
        $token = $this->token();
        for ($i = 0; $i < TokensRead::A_MINUTE; $i++) {
            $this->by($token, 'GET', '/api/practice')->assertOk();
        }
        $refused = $this->by($token, 'GET', '/api/practice')->assertStatus(429);
        self::assertGreaterThan(0, (int) $refused->headers->get('Retry-After'));
        $this->by($this->token(), 'GET', '/api/practice')->assertOk();
        CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addSeconds(61));
        $this->by($token, 'GET', '/api/practice')->assertOk();
    }

    public function testTheOwnerAloneMakesThem(): void
    {
        $colleague = User::query()
            ->where('practice_id', $this->practitioner()->practice_id)
            ->where('role', Role::Practitioner)
            ->firstOrFail();
        foreach ([['GET', '/api/practice/tokens'], ['POST', '/api/practice/tokens']] as [$method, $path]) {
            $this->ask($colleague, $method, $path, ['name' => 'x', 'days' => 3])->assertStatus(403);
        }
        $this->token();
        $this->ask($this->practitioner('Another Practice'), 'GET', '/api/practice/tokens')
            ->assertOk()
            ->assertJsonPath('tokens', []);
        $id = ApiToken::query()->firstOrFail()->id;
        $this->ask($this->practitioner('Another Practice'), 'DELETE', "/api/practice/tokens/$id")->assertStatus(404);
        $this->ask($this->practitioner(), 'POST', '/api/practice/tokens', ['name' => '', 'days' => 30])
            ->assertStatus(422)
            ->assertJsonPath('errors.name.0', 'Say what the token is for.');
        self::assertTrue(AccessLogEntry::query()->where('what', 'made the token “Statistics”')->exists());
    }

    /** A program that does not say which form of answer it takes gets JSON all the same. */
    public function testWhoeverIsNobodyIsToldSoInWhateverFormTheyAsk(): void
    {
        Auth::forgetGuards();
        $this->get('/api/round', ['Accept' => '*/*'])
            ->assertStatus(401)
            ->assertJsonStructure(['message']);
        $this->get('/api/today', ['Accept' => 'text/html'])
            ->assertStatus(401)
            ->assertJsonStructure(['message']);
    }

    /** A browser that is signed in goes on by its session. */
    public function testWhoeverIsSignedInNeedsNone(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/health-record")->assertOk();
        self::assertTrue(
            AccessLogEntry::query()
                ->where('athlete_id', $case->athlete_id)
                ->where('what', 'exported the health record')
                ->exists(),
        );
    }

    private function token(): string
    {
        return self::text(
            $this->ask($this->practitioner(), 'POST', '/api/practice/tokens', ['name' => 'Statistics', 'days' => 30])
                ->assertStatus(201)
                ->assertJsonPath('tokens.0.name', 'Statistics')
                ->json('token'),
        );
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function by(string $token, string $method, string $path, array $body = []): TestResponse
    {
        Auth::forgetGuards();
        Auth::shouldUse('web');
        app(\App\Support\CurrentPractice::class)->leave();
        $this->flushSession();
        $answer = $this->withHeader('Authorization', "Bearer $token")->json($method, $path, $body);
        $this->withoutHeader('Authorization');
        // Each request is a process of its own in service; here the way in would stay chosen.
        Auth::forgetGuards();
        Auth::shouldUse('web');
        app(\App\Support\CurrentPractice::class)->enterEvery();

        return $answer;
    }
}
