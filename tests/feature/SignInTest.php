<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Secret;
use App\Access\SignInTries;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** Getting in: waits that grow and never shut out, secrets that others would guess, sessions and headers. */
final class SignInTest extends TestCase
{
    private const OLA = 'ola.vance@ropewalk.example';

    public function testWaitsGrowAndEndAndAreTheOwnersOnly(): void
    {
        self::assertSame(
            [0, 0, 0, 0, 0, 30, 30],
            array_map(static fn(): int => SignInTries::count('somebody', 5), range(1, 7)),
        );
        $waits = [];
        for ($i = 0; $i < 8; $i++) {
            $this->travelSeconds($waits === [] ? 31 : end($waits) + 1);
            self::assertSame(0, SignInTries::count('somebody', 5), 'after the wait one more may be made');
            $waits[] = SignInTries::count('somebody', 5);
        }
        self::assertSame(
            [60, 120, 240, 480, 900, 900, 900, 900],
            $waits,
            'twice as long each time, a quarter of an hour at most',
        );
        $this->travelSeconds(3601);
        self::assertSame(
            [0, 0, 0, 0, 0, 30],
            array_map(static fn(): int => SignInTries::count('somebody', 5), range(1, 6)),
            'an hour without a try starts over',
        );
        self::assertSame(0, SignInTries::count('somebody else', 5));
    }

    public function testOnesOwnDeviceIsLetInWhileOthersTryTheAddress(): void
    {
        $known = $this->signInFrom('10.0.0.1', self::OLA, self::PASSWORD)->assertOk();
        $cookie = $known->getCookie('rung_known');
        self::assertNotNull($cookie);
        // A swarm: each place few times, all of them more often than an account may be tried.
        for ($i = 0; $i < SignInTries::FREE_OF_AN_ACCOUNT; $i++) {
            $this->signInFrom("10.1.0.$i", self::OLA, 'wrong')->assertStatus(422);
        }
        $this->signInFrom('10.2.0.1', self::OLA, self::PASSWORD)->assertStatus(429)->assertHeader('Retry-After');
        $this->withCredentials()->withCookie('rung_known', self::OLA);
        $this->signInFrom('10.2.0.1', self::OLA, self::PASSWORD)->assertOk();
    }

    public function testANewInvitationLiftsTheWaitAndEndsEverySession(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $juno = $this->athlete('Juno Tamsin');
        for ($i = 0; $i < SignInTries::FREE_OF_AN_ACCOUNT; $i++) {
            $this->signInFrom("10.1.0.$i", $juno->email, 'wrong');
        }
        $this->signInFrom('10.3.0.1', $juno->email, self::PASSWORD)->assertStatus(429);
        DB::table('sessions')->insert([
            'id' => 'lost-phone',
            'user_id' => $juno->id,
            'payload' => '',
            'last_activity' => 1,
        ]);
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/invitation")->assertStatus(201);
        self::assertFalse(DB::table('sessions')->where('id', 'lost-phone')->exists());
        Auth::forgetGuards();
        $this->signInFrom('10.3.0.2', $juno->email, self::PASSWORD)->assertOk();
    }

    public function testAnAddressThatNobodyHasTakesTheSameWorkAndTheSameAnswer(): void
    {
        $checks = 0;
        $counting = $this->createStub(Hasher::class);
        $counting
            ->method('make')
            ->willReturnCallback(
                static fn(string $value): string => password_hash($value, PASSWORD_BCRYPT, ['cost' => 4]),
            );
        $counting->method('check')->willReturnCallback(static function () use (&$checks): bool {
            $checks++;

            return false;
        });
        $this->app?->instance('hash', $counting);
        $this->app?->instance(Hasher::class, $counting);
        Hash::clearResolvedInstances();
        $answers = [];
        foreach ([self::OLA, 'nobody@ropewalk.example'] as $email) {
            $checks = 0;
            $answer = $this->signInFrom('10.0.0.9', $email, 'wrong');
            $answers[] = [$answer->getStatusCode(), $answer->getContent(), $checks];
        }
        self::assertSame($answers[0], $answers[1]);
        self::assertSame(1, $answers[0][2]);
    }

    public function testAddressesAreComparedWithoutCapitals(): void
    {
        $this->signInFrom('10.0.0.1', 'Ola.VANCE@Ropewalk.Example', self::PASSWORD)->assertOk();
        $taken = OpeningTest::opening([
            'athlete' => ['name' => 'Odile Marsh', 'body_mass_kg' => 59.5, 'email' => 'OLA.Vance@ropewalk.example'],
        ]);
        $this->ask($this->practitioner(), 'POST', '/api/cases', $taken)
            ->assertStatus(422)
            ->assertJsonPath('errors', ['athlete.email' => ['Email is used to sign in already; use another.']]);
        $this->ask(
            $this->practitioner(),
            'POST',
            '/api/cases',
            OpeningTest::opening([
                'athlete' => ['name' => 'Odile Marsh', 'body_mass_kg' => 59.5, 'email' => 'Odile.M@ropewalk.example'],
            ]),
        )->assertStatus(201);
        self::assertSame('odile.m@ropewalk.example', User::query()->where('name', 'Odile Marsh')->firstOrFail()->email);
        $this->expectExceptionMessageMatches('/accounts_email_folded/');
        DB::table('accounts')
            ->where('email', 'odile.m@ropewalk.example')
            ->update(['email' => 'OLA.vance@ropewalk.example']);
    }

    /** @return iterable<string, array{string, bool, bool}> secret, of an athlete, whether it is good */
    public static function secrets(): iterable
    {
        foreach (['482915', '739104', '200471'] as $pin) {
            yield "PIN $pin" => [$pin, true, true];
        }
        foreach (['48291', '111111', '123456', '654321', '890123', '121212', '123123', '246802', '987654'] as $pin) {
            yield "PIN $pin" => [$pin, true, false];
        }
        yield 'an athlete, eight letters' => ['osierbed', true, true];
        yield 'an athlete, seven letters' => ['osierbe', true, false];
        yield 'an athlete, a common one' => ['password', true, false];
        yield 'an athlete, a common one with a year' => ['Password2024!', true, false];
        yield 'an athlete, the own name' => ['tamsin-rope', true, false];
        yield 'staff, ten letters' => ['osierbedsx', false, true];
        yield 'staff, nine letters' => ['osierbeds', false, false];
        yield 'staff, digits alone' => ['4829151234', false, true];
        yield 'staff, a common one' => ['qwertyuiop', false, false];
        yield 'staff, the same letter' => ['aaaaaaaaaaaa', false, false];
        yield 'staff, the address' => ['ola.vance-x9', false, false];
    }

    #[DataProvider('secrets')]
    public function testWhatOthersGuessFirstIsRefused(string $secret, bool $athlete, bool $good): void
    {
        self::assertSame(
            $good,
            Secret::fault($secret, $athlete ? $this->athlete('Juno Tamsin') : $this->practitioner()) === null,
        );
    }

    public function testAVisitorWithoutACookieLeavesNoSessionBehind(): void
    {
        $before = DB::table('sessions')->count();
        foreach (['/', '/sign-in', '/athlete', '/bare', '/api/session', '/api/round', '/no-such-page'] as $path) {
            $this->get($path, ['Accept' => 'application/json']);
        }
        $this->postJson('/api/session', ['email' => self::OLA, 'password' => 'wrong'])->assertStatus(422);
        self::assertSame($before, DB::table('sessions')->count());
        $this->postJson('/api/session', ['email' => self::OLA, 'password' => self::PASSWORD])
            ->assertOk()
            ->assertCookie('rung_session');
        self::assertSame($before + 1, DB::table('sessions')->count());
    }

    public function testASessionInWhichNothingChangedIsWrittenOnceAMinute(): void
    {
        $cookie = $this->signInFrom('10.4.0.1', self::OLA, self::PASSWORD)->getCookie('rung_session');
        $id = (string) $cookie?->getValue();
        $lastUsed = static fn(): mixed => DB::table('sessions')->where('id', $id)->value('last_activity');
        $look = function () use ($id): void {
            Auth::forgetGuards();
            $this->withCredentials()->withCookie('rung_session', $id)->ask(null, 'GET', '/api/round')->assertOk();
        };
        // The first look is written down with the session, so that the next is not written again.
        $look();
        $first = $lastUsed();
        $this->travelSeconds(40);
        $look();
        self::assertSame($first, $lastUsed());
        $this->travelSeconds(40);
        $look();
        self::assertSame(CarbonImmutable::now()->getTimestamp(), $lastUsed());
    }

    public function testAnotherSiteCannotSignSomebodyIn(): void
    {
        $this->app?->instance('env', 'production');
        $this->app?->detectEnvironment(static fn(): string => 'production');
        foreach (
            [
                ['Sec-Fetch-Site' => 'cross-site'],
                ['Sec-Fetch-Site' => 'same-site'],
                ['Origin' => 'https://elsewhere.example'],
            ]
            as $headers
        ) {
            $this->runsUnderCsrf(
                fn() => $this->postJson(
                    '/api/session',
                    ['email' => self::OLA, 'password' => self::PASSWORD],
                    $headers,
                )->assertStatus(419),
            );
        }
        $this->runsUnderCsrf(
            fn() => $this->postJson(
                '/api/session',
                ['email' => self::OLA, 'password' => self::PASSWORD],
                ['Sec-Fetch-Site' => 'same-origin'],
            )->assertOk(),
        );
    }

    public function testWhoeverHasNoSessionIsToldSoAndWhoeverHasOneNeedsItsToken(): void
    {
        $this->runsUnderCsrf(fn() => $this->postJson('/api/openings', [])->assertStatus(401));
        $this->withCredentials()->withCookie('rung_session', 'x');
        $this->runsUnderCsrf(fn() => $this->postJson('/api/openings', [])->assertStatus(419));
    }

    public function testHeadersAreOnEveryAnswerAndHttpsIsMadeToStay(): void
    {
        foreach (['/', '/api/session', '/api/nothing', '/api/cases/%ff', '/bare'] as $path) {
            $answer = $this->get($path);
            self::assertStringContainsString(
                "default-src 'self'",
                (string) $answer->headers->get('Content-Security-Policy'),
                $path,
            );
            self::assertSame(
                ['nosniff', 'same-origin', null],
                [
                    $answer->headers->get('X-Content-Type-Options'),
                    $answer->headers->get('Referrer-Policy'),
                    $answer->headers->get('Strict-Transport-Security'),
                ],
                $path,
            );
        }
        $body = $this->call(
            'POST',
            '/api/session',
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            '{"email":"' . str_repeat('a', 5000) . '"}',
        );
        $body
            ->assertStatus(413)
            ->assertHeader('Content-Security-Policy')
            ->assertJsonStructure(['message']);

        // Behind a proxy that is named in the settings its word on https is taken; else not.
        config(['app.trusted_proxies' => '']);
        self::assertNull(
            $this->get('/bare', ['X-Forwarded-Proto' => 'https'])->headers->get('Strict-Transport-Security'),
        );
        config(['app.trusted_proxies' => '127.0.0.1']);
        self::assertNotNull(
            $this->get('/bare', ['X-Forwarded-Proto' => 'https'])->headers->get('Strict-Transport-Security'),
        );
        $signedIn = $this->postJson(
            '/api/session',
            ['email' => self::OLA, 'password' => self::PASSWORD],
            ['X-Forwarded-Proto' => 'https'],
        )->assertOk();
        self::assertTrue($signedIn->getCookie('rung_session', false)?->isSecure());
        Request::setTrustedProxies([], Request::HEADER_X_FORWARDED_PROTO);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function signInFrom(string $address, string $email, string $password): TestResponse
    {
        Auth::forgetGuards();

        return $this->withServerVariables(['REMOTE_ADDR' => $address])->ask(null, 'POST', '/api/session', [
            'email' => $email,
            'password' => $password,
        ]);
    }

    private function travelSeconds(int $seconds): void
    {
        CarbonImmutable::setTestNow(CarbonImmutable::now()->addSeconds($seconds));
    }

    /** Laravel lets tests pass without a token; here it must not. */
    private function runsUnderCsrf(callable $work): void
    {
        $this->app?->bind(
            \App\Http\Middleware\CheckOrigin::class,
            fn() => new class ($this->app, $this->app->make(\Illuminate\Contracts\Encryption\Encrypter::class)) extends
                \App\Http\Middleware\CheckOrigin
            {
                protected function runningUnitTests(): bool
                {
                    return false;
                }
            },
        );
        $work();
    }

    public function testAnAthleteWithoutAnAddressSignsInByName(): void
    {
        $open = function (string $name): array {
            $opened = $this->ask(
                $this->practitioner(),
                'POST',
                '/api/cases',
                OpeningTest::opening(['athlete' => ['name' => $name, 'body_mass_kg' => 59.5]]),
            )->assertStatus(201);
            \Illuminate\Support\Facades\Auth::forgetGuards();

            return [self::text($opened->json('sign_in')), self::text($opened->json('password'))];
        };
        [$name, $password] = $open('Odile Marsh');
        self::assertMatchesRegularExpression('/^odile\.marsh-\d{4}$/', $name);
        [$other] = $open('Øyvind 王');
        self::assertTrue(\App\Access\Email::isSound($other), $other);
        [$none] = $open('王');
        self::assertTrue(\App\Access\Email::isSound($none), $none);
        $this->postJson('/api/session', ['email' => strtoupper($name), 'password' => $password])
            ->assertOk()
            ->assertJsonPath('user.name', 'Odile Marsh');
        foreach (['odile marsh', 'odile..marsh', '-odile', 'odile@', 'odile/marsh'] as $odd) {
            $this->postJson('/api/session', ['email' => $odd, 'password' => 'x'])
                ->assertStatus(422)
                ->assertJsonValidationErrors(['email' => 'neither an e-mail address nor a sign-in name']);
        }
    }
}
