<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\Secret;
use App\Access\SignIns;
use App\Access\Totp;
use App\Mail\AccountChanged;
use App\Mail\NewDevice;
use App\Mail\NewPassword;
use App\Models\AccessLogEntry;
use App\Models\Account;
use App\Models\Role;
use App\Models\User;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** The own account: second factor, password, sign-ins on other devices, and more practices than one. */
final class AccountTest extends TestCase
{
    private const OLA = 'ola.vance@ropewalk.example';

    protected function setUp(): void
    {
        parent::setUp();
        Mail::fake();
    }

    public function testASecondFactorIsSetUpAndAskedForEverAfter(): void
    {
        $ola = $this->practitioner();
        [$secret, $codes] = $this->setUpFor($ola);
        self::assertCount(10, array_unique($codes));
        $this->ask($ola, 'GET', '/api/account')->assertJsonPath('second_factor.recovery_left', 10);
        Mail::assertSent(
            AccountChanged::class,
            static fn(AccountChanged $letter): bool => $letter->what === 'a second factor was set up',
        );
        self::assertStringNotContainsString(
            $secret,
            self::text(DB::table('accounts')->where('email', self::OLA)->value('second_factor')),
            'the secret is kept encrypted',
        );

        // The password alone signs nobody in.
        $this->travel(60)->seconds();
        $this->nobody();
        $this->signIn()
            ->assertOk()
            ->assertJson(['user' => null, 'owes_code' => true]);
        $this->json('GET', '/api/round')->assertStatus(401);
        $this->code('000000')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['code' => 'does not hold']);
        $now = Totp::code($secret, intdiv(CarbonImmutable::now()->getTimestamp(), Totp::STEP_S));
        $this->code(substr($now, 0, 3) . ' ' . substr($now, 3))
            ->assertOk()
            ->assertJsonPath('user.name', 'Ola Vance');
        $this->json('GET', '/api/round')->assertOk();

        // The same code lets nobody in again, though its time has not passed.
        $this->nobody();
        $this->signIn();
        $this->code($now)->assertStatus(422);
        // A recovery code does, once.
        $this->code(strtoupper($codes[4]))->assertOk();
        $this->nobody();
        $this->signIn();
        $this->code($codes[4])->assertStatus(422);
        app(CurrentPractice::class)->enterEvery();
        self::assertCount(9, Account::findByEmail(self::OLA)->recovery_codes ?? []);
        self::assertTrue(
            AccessLogEntry::query()
                ->where('user_id', $ola->id)
                ->where('kind', 'refused')
                ->where('what', 'gave a wrong code at signing in')
                ->exists(),
        );
    }

    public function testCodesAreThrottledAndTheFirstStepRunsOut(): void
    {
        [$secret] = $this->setUpFor($this->practitioner());
        $this->travel(60)->seconds();
        $this->nobody();
        $this->signIn();
        $statuses = array_map(fn(): int => $this->code('123456')->getStatusCode(), range(1, 6));
        self::assertSame([422, 422, 422, 422, 422, 429], $statuses);
        $this->travel(301)->seconds();
        $now = Totp::code($secret, intdiv(CarbonImmutable::now()->getTimestamp(), Totp::STEP_S));
        $this->code($now)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['code' => 'Too much time has passed']);
        // Nor does a code let anybody in who gave no password.
        $this->flushSession();
        $this->code($now)->assertStatus(422);
    }

    public function testWhereThePracticeAsksForItNobodyGoesOnWithout(): void
    {
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $rules = ['cases_open_to' => 'practice', 'second_factor_needed' => true];
        $this->ask($ola, 'PUT', '/api/practice/rules', $rules)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['second_factor_needed' => 'Set up your own second factor first']);
        $this->setUpFor($ola);
        $this->ask($ola, 'PUT', '/api/practice/rules', $rules)->assertOk();

        $this->ask($ren->refresh(), 'GET', '/api/round')
            ->assertStatus(403)
            ->assertJsonPath(
                'message',
                'Your practice asks for a second factor. Set it up on the page “Your account”, then go on.',
            );
        $this->ask($ren, 'GET', '/api/session')->assertJsonPath('user.needs_second_factor', true);
        $this->setUpFor($ren);
        $this->ask($ren->refresh(), 'GET', '/api/round')->assertOk();
        $this->ask($this->athlete('Juno Tamsin'), 'GET', '/api/today')->assertOk();
    }

    public function testSensitiveActsWantThePasswordOfTheLastMinutes(): void
    {
        $ola = $this->practitioner();
        $this->actingAs($ola)->withSession([
            'auth.password_confirmed_at' => CarbonImmutable::now()->getTimestamp() - 901,
            SignIns::SINCE => CarbonImmutable::now()->getTimestamp(),
        ]);
        $post = fn(string $path, array $body = []): TestResponse => $this->postJson($path, $body);
        $post('/api/practice/people', ['name' => 'X', 'email' => 'x@example.test', 'role' => 'reader'])->assertStatus(
            423,
        );
        $post('/api/account/confirmation', ['password' => 'wrong'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password' => 'not your current password']);
        $post('/api/practice/people', ['name' => 'X', 'email' => 'x@example.test', 'role' => 'reader'])->assertStatus(
            423,
        );
        $post('/api/account/confirmation', ['password' => self::PASSWORD])->assertOk();
        $post('/api/practice/people', ['name' => 'X', 'email' => 'x@example.test', 'role' => 'reader'])->assertStatus(
            201,
        );
    }

    public function testEveryActOnPeopleSettingsAndWholeRecordsIsSensitive(): void
    {
        $sensitive = [];
        foreach (\Illuminate\Support\Facades\Route::getRoutes()->getRoutes() as $route) {
            $asked = $route->gatherMiddleware();
            $manages = array_filter(
                $asked,
                static fn(mixed $value): bool => is_string($value) && str_starts_with($value, 'can:manage'),
            );
            if ($manages !== [] && $route->methods()[0] !== 'GET') {
                self::assertContains('password.confirm', $asked, $route->uri());
                $sensitive[] = $route->uri();
            }
        }
        self::assertGreaterThan(10, count($sensitive));
    }

    public function testANewPasswordEndsAllOtherSignIns(): void
    {
        $ola = $this->practitioner();
        $this->signInElsewhere($ola, 'elsewhere');
        $change = fn(string $current, string $new): TestResponse => $this->ask($ola, 'PUT', '/api/account/password', [
            'current' => $current,
            'password' => $new,
        ]);
        $change('wrong', 'quiet-lantern-42')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['current']);
        $change(self::PASSWORD, 'short')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password' => 'at least 10 letters']);
        self::assertSame(1, DB::table('sessions')->where('id', 'elsewhere')->count());
        Mail::assertNothingSent();
        $change(self::PASSWORD, 'quiet-lantern-42')->assertOk();
        Mail::assertSent(
            AccountChanged::class,
            static fn(AccountChanged $letter): bool => $letter->hasTo(self::OLA) &&
                str_contains($letter->render(), 'your password was changed on 14 Apr 2026, 08:30'),
        );
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        self::assertTrue(Hash::check('quiet-lantern-42', Account::findByEmail(self::OLA)->password ?? ''));
    }

    public function testAForgottenPasswordIsSetAnewByALinkThatHoldsOnceAndForAnHour(): void
    {
        $ola = $this->practitioner();
        $this->signInElsewhere($ola, 'elsewhere');
        $this->ask(null, 'POST', '/api/password', ['email' => 'nobody@ropewalk.example'])->assertStatus(202);
        $this->ask(null, 'POST', '/api/password', ['email' => 'OLA.Vance@ropewalk.example'])->assertStatus(202);
        $this->ask(null, 'POST', '/api/password', ['email' => 'odile.marsh-4821'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['email' => 'ask']);
        Mail::assertSentCount(1);
        $link = '';
        Mail::assertSent(NewPassword::class, static function (NewPassword $letter) use (&$link): bool {
            $link = $letter->link;

            return $letter->hasTo(self::OLA) && str_contains($letter->render(), $letter->link);
        });
        [$email, $token] = explode('/', explode('#', $link)[1]);
        $set = fn(string $token, string $password): TestResponse => $this->ask(null, 'PUT', '/api/password', [
            'email' => rawurldecode($email),
            'token' => $token,
            'password' => $password,
        ]);
        $set(Str::random(64), 'quiet-lantern-42')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['token' => 'was used, is not complete, or has run out']);
        $set($token, 'password')
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password']);
        $set($token, 'quiet-lantern-42')->assertOk();
        Mail::assertSent(AccountChanged::class);
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $set($token, 'another-lantern-43')->assertStatus(422);

        $this->travel(2)->minutes();
        $this->ask(null, 'POST', '/api/password', ['email' => self::OLA]);
        Mail::assertSent(NewPassword::class, static function (NewPassword $letter) use (&$link): bool {
            $link = $letter->link;

            return true;
        });
        $this->travel(61)->minutes();
        $set(explode('/', explode('#', $link)[1])[1], 'another-lantern-43')->assertStatus(422);
    }

    public function testSignInsAreListedWithoutTheirSecretAndEndedOneByOne(): void
    {
        $ola = $this->practitioner();
        $this->signInElsewhere($ola, 'elsewhere', 'Mozilla/5.0 (Mobile)');
        $this->signInElsewhere($this->staff(Role::Practitioner), 'of-another');
        $account = $this->ask($ola, 'GET', '/api/account')->assertOk();
        self::assertSame(
            [['device' => 'A phone', 'place' => '10.0.0.7', 'current' => false]],
            array_map(
                static fn(mixed $value): array => array_intersect_key((array) $value, [
                    'device' => 1,
                    'place' => 1,
                    'current' => 1,
                ]),
                (array) $account->json('sign_ins'),
            ),
        );
        self::assertStringNotContainsString('elsewhere', (string) $account->getContent());
        $this->ask($ola, 'DELETE', '/api/account/sign-ins/of-another')->assertStatus(404);
        $this->ask($ola, 'DELETE', '/api/account/sign-ins/' . self::text($account->json('sign_ins.0.id')))
            ->assertOk()
            ->assertJsonMissing(['device' => 'A phone']);
        self::assertSame(
            ['of-another'],
            DB::table('sessions')
                ->whereIn('id', ['elsewhere', 'of-another'])
                ->pluck('id')
                ->all(),
        );
    }

    public function testStaffSignInAnewAfterTwelveHoursAndAthletesDoNot(): void
    {
        $this->nobody();
        $this->signIn()->assertOk();
        foreach (range(1, 11) as $hour) {
            CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addHours($hour));
            $this->json('GET', '/api/round')->assertOk();
        }
        CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addHours(12));
        $this->json('GET', '/api/account')->assertStatus(401);
        $this->json('GET', '/api/round')->assertStatus(401);
        $this->json('GET', '/api/session')->assertJsonPath('user', null);

        CarbonImmutable::setTestNow(self::NOW);
        $juno = $this->athlete('Juno Tamsin');
        $this->ask($juno, 'GET', '/api/today')->assertOk();
        CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addDays(3));
        $this->json('GET', '/api/today')->assertOk();
    }

    public function testStaffAreNotRemembered(): void
    {
        $this->nobody();
        $this->postJson('/api/session', ['email' => self::OLA, 'password' => self::PASSWORD, 'stay' => true])
            ->assertOk()
            ->assertCookieMissing(Auth::getRecallerName());
    }

    public function testANewDeviceIsAnnouncedByMail(): void
    {
        $this->nobody();
        $this->signIn()->assertOk();
        Mail::assertNothingSent();
        $this->nobody();
        $this->signIn()->assertOk();
        Mail::assertSent(
            NewDevice::class,
            static fn(NewDevice $letter): bool => $letter->hasTo(self::OLA) &&
                str_contains($letter->render(), 'was used on a device that was not seen before'),
        );
        app(CurrentPractice::class)->enterEvery();
        self::assertSame(1, AccessLogEntry::query()->where('what', 'signed in on a new device')->count());
        // A known device sends no letter.
        $this->nobody();
        $this->withCredentials()->withCookie('rung_known', self::OLA)->signIn()->assertOk();
        Mail::assertSentCount(1);
    }

    public function testOneAccountWorksInTwoPracticesAndEachSeesItsOwn(): void
    {
        $ola = $this->practitioner();
        $other = $this->practitioner('Another Practice');
        $invited = $this->ask($other, 'POST', '/api/practice/people', [
            'name' => 'Ola V.',
            'email' => self::OLA,
            'role' => 'practitioner',
        ])->assertStatus(201);
        $token = explode('#', self::text($invited->json('link')))[1];
        Auth::forgetGuards();
        $this->ask(null, 'POST', '/api/join/who', ['token' => $token])
            ->assertOk()
            ->assertJson(['practice' => 'Another Practice', 'has_sign_in' => true]);
        // Another practice cannot set the password of somebody's account: it has to be known.
        $this->ask(null, 'POST', '/api/join', ['token' => $token, 'password' => 'my-own-new-word'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password' => 'type its password']);
        $this->ask(null, 'POST', '/api/join', ['token' => $token, 'password' => self::PASSWORD])->assertStatus(201);

        $places = (array) $this->ask($ola, 'GET', '/api/account')->json('places');
        self::assertEqualsCanonicalizing(
            ['Ropewalk Circus School', 'Another Practice'],
            array_column($places, 'practice'),
        );
        $there = User::query()
            ->where('account_id', $ola->account_id)
            ->where('practice_id', $other->practice_id)
            ->firstOrFail();
        $foreign = $this->caseOf('Juno Tamsin', 'Another Practice');
        $this->ask($ola, 'GET', "/api/cases/$foreign->id")->assertStatus(404);
        $this->ask($ola, 'POST', '/api/account/place', [
            'place' => $this->practitioner('Another Practice')->id,
        ])->assertStatus(422);
        $this->ask($ola, 'POST', '/api/account/place', ['place' => $there->id])
            ->assertOk()
            ->assertJsonPath('user.practice', 'Another Practice');
        $this->ask($there, 'GET', "/api/cases/$foreign->id")->assertOk();
        $this->ask($there, 'GET', "/api/cases/{$this->caseOf('Juno Tamsin')->id}")->assertStatus(404);
        $this->ask($there, 'GET', '/api/practice/people')->assertStatus(403);

        // Suspended there, she goes on here.
        $there->forceFill(['suspended_at' => CarbonImmutable::now()])->save();
        $this->nobody();
        $this->signIn()->assertOk()->assertJsonPath('user.practice', 'Ropewalk Circus School');
    }

    public function testAnInvitationOfAnAthleteDoesNotTakeAnAccountThatWorksElsewhere(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $other = $this->practitioner('Another Practice');
        $invited = $this->ask($other, 'POST', '/api/practice/people', [
            'name' => 'Juno',
            'email' => $juno->email,
            'role' => 'reader',
        ])->assertStatus(201);
        $case = $this->caseOf('Juno Tamsin');
        $link = self::text($this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/invitation")->json('link'));
        $this->ask(null, 'POST', '/api/join', [
            'token' => explode('#', $link)[1],
            'password' => '482915',
        ])->assertStatus(422);
        $this->ask(null, 'POST', '/api/join', [
            'token' => explode('#', self::text($invited->json('link')))[1],
            'password' => 'quiet-lantern-42',
        ])->assertStatus(422);
        self::assertTrue(Hash::check(self::PASSWORD, $juno->account->refresh()->password));
        self::assertNull(Secret::fault('quiet-lantern-42', $juno));
    }

    /** @return array{string, list<string>} the secret, and the recovery codes */
    private function setUpFor(User $who): array
    {
        $begun = $this->ask($who, 'POST', '/api/account/second-factor')->assertStatus(201);
        $secret = self::text($begun->json('secret'));
        self::assertStringContainsString($secret, self::text($begun->json('address')));
        $this->json('PUT', '/api/account/second-factor', ['code' => '000000'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['code' => 'not the code of now']);
        $codes = $this->json('PUT', '/api/account/second-factor', [
            'code' => Totp::code($secret, intdiv(CarbonImmutable::now()->getTimestamp(), Totp::STEP_S)),
        ])
            ->assertOk()
            ->json('recovery_codes');
        self::assertIsArray($codes);
        $who->unsetRelation('account');

        return [$secret, array_map(self::text(...), array_values($codes))];
    }

    private function nobody(): void
    {
        Auth::forgetGuards();
        $this->flushSession();
        app(CurrentPractice::class)->leave();
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function signIn(): TestResponse
    {
        return $this->postJson('/api/session', ['email' => self::OLA, 'password' => self::PASSWORD]);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function code(string $code): TestResponse
    {
        return $this->postJson('/api/session/code', ['code' => $code]);
    }

    /** A sign-in on another device. */
    private function signInElsewhere(User $of, string $id, string $agent = 'Mozilla/5.0'): void
    {
        DB::table('sessions')->insert([
            'id' => $id,
            'user_id' => $of->id,
            'ip_address' => '10.0.0.7',
            'user_agent' => $agent,
            'payload' => '',
            'last_activity' => CarbonImmutable::now()->getTimestamp(),
        ]);
    }
}
