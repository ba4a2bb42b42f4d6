<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Mail\AccountChanged;
use App\Mail\Invited;
use App\Models\AccessLogEntry;
use App\Models\ApiToken;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** People of a practice: invited, given another role, suspended, and leaving with their cases handed over. */
final class PeopleTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Mail::fake();
    }

    public function testAColleagueIsInvitedAndComesIn(): void
    {
        $ola = $this->practitioner();
        $answer = $this->ask($ola, 'POST', '/api/practice/people', [
            'name' => 'Selma Brandt',
            'email' => 'Selma.Brandt@example.test',
            'role' => 'assistant',
        ])->assertStatus(201);
        $link = self::text($answer->json('link'));
        Mail::assertSent(
            Invited::class,
            static fn(Invited $letter): bool => $letter->hasTo('selma.brandt@example.test') &&
                str_contains($letter->render(), $link),
        );
        $selma = $this->member($answer, 'Selma Brandt');
        $id = self::text($selma['id']);
        self::assertSame(['assistant', 'invited', null], [$selma['role'], $selma['state'], $selma['signed_in_at']]);

        $this->ask($ola, 'POST', "/api/practice/people/$id/invitation")->assertStatus(201);
        Mail::assertSentCount(2);
        Auth::forgetGuards();
        $this->ask(null, 'POST', '/api/join', [
            'token' => explode('#', $link)[1],
            'password' => 'quiet-lantern-42',
        ])->assertStatus(422);
        $again = '';
        Mail::assertSent(Invited::class, static function (Invited $letter) use (&$again): bool {
            $again = explode('#', $letter->link)[1];

            return true;
        });
        $this->ask(null, 'POST', '/api/join', ['token' => $again, 'password' => 'shortpass'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password' => 'at least 10 letters']);
        $this->ask(null, 'POST', '/api/join', ['token' => $again, 'password' => 'quiet-lantern-42'])->assertStatus(201);
        self::assertSame(
            'active',
            $this->member($this->ask($ola, 'GET', '/api/practice/people'), 'Selma Brandt')['state'],
        );
        $this->ask($ola, 'POST', "/api/practice/people/$id/invitation")->assertStatus(409);
    }

    /** @return iterable<string, array{array<string, string>, string, string}> what is wrong, at which field, and what is said */
    public static function wrongInvitations(): iterable
    {
        $right = ['name' => 'Selma Brandt', 'email' => 'selma.brandt@example.test', 'role' => 'reader'];
        yield 'no name' => [['name' => ''] + $right, 'name', 'is needed'];
        yield 'no address' => [['email' => 'selma'] + $right, 'email', 'no e-mail address'];
        yield 'no such role' => [['role' => 'king'] + $right, 'role', 'Choose what they are'];
        yield 'an athlete' => [['role' => 'athlete'] + $right, 'role', 'Choose what they are'];
        yield 'somebody who is here' => [
            ['email' => 'REN.castellan@ropewalk.example'] + $right,
            'email',
            'Ren Castellan has this address in your practice already',
        ];
    }

    /** @param array<string, string> $body */
    #[DataProvider('wrongInvitations')]
    public function testAWrongInvitationIsShownAtItsField(array $body, string $field, string $says): void
    {
        $this->ask($this->practitioner(), 'POST', '/api/practice/people', $body)
            ->assertStatus(422)
            ->assertJsonValidationErrors([$field => $says]);
        Mail::assertNothingSent();
    }

    public function testTheLastOwnerStaysAndARoleThatTreatsIsNotTakenFromWhoHasCases(): void
    {
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $this->ask($ola, 'PUT', "/api/practice/people/$ola->id", ['role' => 'reader'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['role' => 'is the only owner']);
        $this->ask($ola, 'POST', "/api/practice/people/$ola->id/suspension")
            ->assertStatus(422)
            ->assertJsonValidationErrors(['person' => 'is the only owner']);
        $this->ask($ola, 'POST', "/api/practice/people/$ola->id/leaving", ['to' => $ren->id, 'note' => 'x'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['person' => 'is the only owner']);
        $this->ask($ola, 'PUT', "/api/practice/people/$ren->id", ['role' => 'reader'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['role' => 'treats 4 open cases']);
        self::assertSame(Role::Practitioner, $ren->refresh()->role);

        $this->ask($ola, 'PUT', "/api/practice/people/$ren->id", ['role' => 'owner'])->assertOk();
        $this->ask($ren->refresh(), 'GET', '/api/practice/people')->assertOk();
        self::assertEquals(
            ['was' => 'practitioner', 'is' => 'owner'],
            AccessLogEntry::query()->where('what', 'made Ren Castellan owner')->firstOrFail()->details,
        );
        // With two owners one may go back, and her tokens of an owner with it.
        ApiToken::issue($ola, 'x', CarbonImmutable::now()->addDay());
        $this->ask($ren, 'PUT', "/api/practice/people/$ola->id", ['role' => 'practitioner'])->assertOk();
        self::assertSame(0, ApiToken::query()->where('tokenable_id', $ola->id)->count());
    }

    public function testWhoIsSuspendedIsOutAtOnceAndComesBackWithTheSamePassword(): void
    {
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $sign = fn(): TestResponse => $this->ask(null, 'POST', '/api/session', [
            'email' => 'ren.castellan@ropewalk.example',
            'password' => self::PASSWORD,
        ]);
        DB::table('sessions')->insert(['id' => 'rens', 'user_id' => $ren->id, 'payload' => '', 'last_activity' => 0]);
        $this->ask($ola, 'POST', "/api/practice/people/$ren->id/suspension")->assertOk();
        self::assertSame(0, DB::table('sessions')->where('id', 'rens')->count());
        Auth::forgetGuards();
        $sign()
            ->assertStatus(422)
            ->assertJsonPath('errors.password.0', 'E-mail address and password do not match. Check both.');
        $this->ask($ola, 'DELETE', "/api/practice/people/$ren->id/suspension")->assertOk();
        Auth::forgetGuards();
        $sign()->assertOk()->assertJsonPath('user.name', 'Ren Castellan');
    }

    public function testWhoLeavesHandsAllOpenCasesOverInOneGo(): void
    {
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $cases = CareCase::query()->where('practitioner_id', $ren->id)->whereNull('closed_on')->pluck('id')->all();
        self::assertCount(4, $cases);
        $leave = fn(array $body): TestResponse => $this->ask(
            $ola,
            'POST',
            "/api/practice/people/$ren->id/leaving",
            $body,
        );
        $leave(['note' => 'Moves away'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['to' => 'treats 4 open cases']);
        $leave(['to' => $this->staff(Role::Reader)->id, 'note' => 'Moves away'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['to']);
        $leave(['to' => $ren->id, 'note' => 'Moves away'])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['to']);
        $leave(['to' => $ola->id])
            ->assertStatus(422)
            ->assertJsonValidationErrors(['note']);
        self::assertSame(
            4,
            CareCase::query()->where('practitioner_id', $ren->id)->whereNull('closed_on')->count(),
            'nothing of it was done',
        );

        $before = CareCase::query()->whereKey($cases[0])->firstOrFail()->revision;
        $answer = $leave(['to' => $ola->id, 'note' => 'Moves away'])->assertOk();
        self::assertSame('left', $this->member($answer, 'Ren Castellan')['state']);
        self::assertSame([$ola->id], CareCase::query()->whereKey($cases)->distinct()->pluck('practitioner_id')->all());
        self::assertSame(
            $before + 1,
            CareCase::query()->whereKey($cases[0])->firstOrFail()->revision,
            'an open page sees that the case has changed',
        );
        foreach ($cases as $case) {
            $note = Decision::query()->where('case_id', $case)->orderByDesc('at')->orderByDesc('id')->firstOrFail();
            self::assertSame(
                ['Handed over from Ren Castellan to Ola Vance', 'Moves away', $ola->id],
                [$note->words, $note->reason, $note->user_id],
            );
        }
        Auth::forgetGuards();
        $this->ask(null, 'POST', '/api/session', [
            'email' => 'ren.castellan@ropewalk.example',
            'password' => self::PASSWORD,
        ])->assertStatus(422);
        // Whoever left can be had back.
        $this->ask($ola, 'POST', '/api/practice/people', [
            'name' => 'Ren Castellan',
            'email' => 'ren.castellan@ropewalk.example',
            'role' => 'practitioner',
        ])->assertStatus(201);
        self::assertSame(
            1,
            User::query()->where('practice_id', $ola->practice_id)->where('name', 'Ren Castellan')->count(),
        );
    }

    public function testALostSecondFactorIsTakenOffUnlessTheAccountWorksElsewhere(): void
    {
        $ola = $this->practitioner();
        $ren = $this->staff(Role::Practitioner);
        $ren->account->forceFill(['second_factor' => 'x', 'second_factor_since' => CarbonImmutable::now()])->save();
        $this->ask($ola, 'DELETE', "/api/practice/people/$ren->id/second-factor")->assertOk();
        self::assertFalse($ren->account->refresh()->hasSecondFactor());
        Mail::assertSent(
            AccountChanged::class,
            static fn(AccountChanged $letter): bool => $letter->hasTo('ren.castellan@ropewalk.example'),
        );

        $ren->account->forceFill(['second_factor' => 'x', 'second_factor_since' => CarbonImmutable::now()])->save();
        $this->ask($this->practitioner('Another Practice'), 'POST', '/api/practice/people', [
            'name' => 'Ren',
            'email' => 'ren.castellan@ropewalk.example',
            'role' => 'reader',
        ])->assertStatus(201);
        $this->ask($ola, 'DELETE', "/api/practice/people/$ren->id/second-factor")->assertStatus(409);
        self::assertTrue($ren->account->refresh()->hasSecondFactor());
    }

    public function testPeopleOfAnotherPracticeAreNotFound(): void
    {
        $theirs = $this->staff(Role::Reader, 'Another Practice');
        foreach (
            [
                ['PUT', '', ['role' => 'owner']],
                ['POST', '/suspension', []],
                ['DELETE', '/suspension', []],
                ['POST', '/leaving', ['note' => 'x']],
                ['POST', '/invitation', []],
                ['DELETE', '/second-factor', []],
            ]
            as [$method, $path, $body]
        ) {
            $this->ask($this->practitioner(), $method, "/api/practice/people/$theirs->id$path", $body)->assertStatus(
                404,
            );
        }
        // Nor are athletes people who work here.
        $this->ask($this->practitioner(), 'PUT', "/api/practice/people/{$this->athlete('Juno Tamsin')->id}", [
            'role' => 'owner',
        ])->assertStatus(404);
    }

    /**
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $answer
     *
     * @return array<array-key, mixed>
     */
    private function member(TestResponse $answer, string $name): array
    {
        return (array) collect((array) $answer->json('people'))->firstWhere('name', $name);
    }
}
