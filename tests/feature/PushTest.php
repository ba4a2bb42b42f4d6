<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CareCase;
use App\Models\Consent;
use App\Models\ConsentPurpose;
use App\Models\Push;
use App\Models\PushPhone;
use App\Models\User;
use App\Push\PushService;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Str;
use Rung\Core\Attention\ReminderKind;

/** Phones are reminded of what is still open, by the push service that ships with Rung. */
final class PushTest extends TestCase
{
    private const TIMES = ['morning_at' => 8 * 60, 'session_at' => 17 * 60, 'messages' => true];

    private function phoneOf(User $athlete): string
    {
        $phone = (string) Str::uuid7();
        $this->ask($athlete, 'PUT', "/api/today/phones/$phone", self::TIMES)
            ->assertOk()
            ->assertExactJson(self::TIMES);

        return $phone;
    }

    /** @return list<mixed> kinds of what waits */
    private function waiting(User $athlete, string $phone): array
    {
        return array_values(
            (array) $this->ask($athlete, 'GET', "/api/today/phones/$phone/pushes")
                ->assertOk()
                ->json('pushes.*.kind'),
        );
    }

    private function at(string $time): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $this->travelTo(CarbonImmutable::now($case->practice->timezone)->setTimeFromTimeString($time));
        Artisan::call('rung:remind');
    }

    /** A day with a session that is not done and a morning that is not answered. */
    private function openDay(?CareCase $of = null): void
    {
        $case = $of ?? $this->caseOf('Juno Tamsin');
        $today = CarbonImmutable::now($case->practice->timezone)->format('Y-m-d');
        $case
            ->checkIns()
            ->where('at', '>=', CarbonImmutable::parse($today, $case->practice->timezone)->utc())
            ->delete();
        if (!$case->plannedSessions()->where('on', $today)->exists()) {
            $case
                ->plannedSessions()
                ->where('on', '>', $today)
                ->orderBy('on')
                ->firstOrFail()
                ->forceFill(['on' => $today])
                ->save();
        }
    }

    public function testWhatIsOpenIsShownAtItsTimeAndOnce(): void
    {
        $this->openDay();
        $juno = $this->athlete('Juno Tamsin');
        $phone = $this->phoneOf($juno);
        $this->at('07:30');
        self::assertSame([], $this->waiting($juno, $phone));
        $this->at('08:05');
        $pushes = $this->ask($juno, 'GET', "/api/today/phones/$phone/pushes")->assertOk();
        self::assertSame(['Your morning answer is still open.'], $pushes->json('pushes.*.words'));
        $this->at('08:10');
        self::assertSame([], $this->waiting($juno, $phone), 'reminded once');
        $this->at('17:05');
        self::assertSame(['session'], $this->waiting($juno, $phone));
    }

    public function testWhatIsDoneIsNotShown(): void
    {
        $this->openDay();
        $juno = $this->athlete('Juno Tamsin');
        $phone = $this->phoneOf($juno);
        $case = $this->caseOf('Juno Tamsin');
        $zone = $case->practice->timezone;
        $this->travelTo(CarbonImmutable::now($zone)->setTime(7, 40));
        $this->ask($juno, 'PUT', '/api/today/check-ins/' . Str::uuid7() . "?case=$case->id", [
            'at' => CarbonImmutable::now($zone)->toIso8601String(),
            'provocation' => 2,
        ])->assertSuccessful();
        $this->at('08:05');
        self::assertSame([], $this->waiting($juno, $phone));
    }

    public function testUnderAStopNobodyIsAskedForAnything(): void
    {
        $this->openDay();
        $juno = $this->athlete('Juno Tamsin');
        $phone = $this->phoneOf($juno);
        $evening = CarbonImmutable::yesterday($juno->practice->timezone)->setTime(20, 0);
        $this->ask($juno, 'PUT', '/api/today/check-ins/' . Str::uuid7(), [
            'at' => $evening->toIso8601String(),
            'signs' => ['swelling'],
        ])->assertStatus(201);
        foreach ($this->caseOf('Juno Tamsin')->athlete->cases()->get() as $case) {
            self::assertTrue($case->isStopped());
        }
        $this->at('08:05');
        $this->at('17:05');
        self::assertSame([], $this->waiting($juno, $phone));
    }

    public function testWhoTookTheAgreementBackIsNotReminded(): void
    {
        $this->openDay();
        $juno = $this->athlete('Juno Tamsin');
        $phone = $this->phoneOf($juno);
        Consent::factory()
            ->forAthlete($juno, ConsentPurpose::Messages)
            ->takenBack()
            ->writtenDownBy($this->practitioner())
            ->create();
        $this->at('08:05');
        self::assertSame([], $this->waiting($juno, $phone));
    }

    public function testAMessageOfThePracticeIsShownWithoutItsWords(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $phone = $this->phoneOf($juno);
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/messages", [
            'words' => 'Your tendon looks better.',
        ])->assertSuccessful();
        $pushes = $this->ask($juno, 'GET', "/api/today/phones/$phone/pushes")
            ->assertOk()
            ->assertJsonPath('pushes.0.kind', 'message');
        self::assertStringNotContainsString('tendon', (string) $pushes->getContent());
        self::assertStringContainsString($case->practice->name, (string) $pushes->getContent());
        // What the athlete writes is no news to the athlete.
        $this->ask($juno, 'PUT', '/api/today/messages/' . Str::uuid7() . "?case=$case->id", [
            'kind' => 'question',
            'words' => 'Thank you.',
        ])->assertSuccessful();
        self::assertSame([], $this->waiting($juno, $phone));
    }

    public function testAPhoneIsItsOwners(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $tobias = $this->athlete('Tobias Fenwick');
        $phone = $this->phoneOf($juno);
        $this->ask($tobias, 'PUT', "/api/today/phones/$phone", self::TIMES)
            ->assertStatus(409)
            ->assertJsonPath('message', 'This phone reminds somebody else. Sign out there first.');
        $this->ask($tobias, 'DELETE', "/api/today/phones/$phone")->assertOk();
        self::assertTrue(PushPhone::query()->whereKey($phone)->exists(), 'somebody else cannot end it');
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/messages", [
            'words' => 'Well done.',
        ])->assertSuccessful();
        self::assertSame([], $this->waiting($tobias, $phone));
        self::assertSame(['message'], $this->waiting($juno, $phone));
        $this->ask($juno, 'DELETE', "/api/today/phones/$phone")->assertOk();
        self::assertFalse(PushPhone::query()->whereKey($phone)->exists());
        self::assertSame(0, Push::query()->where('phone_id', $phone)->count(), 'its reminders go with the phone');
    }

    public function testALostPhoneIsShownNothingMore(): void
    {
        $juno = $this->athlete('Juno Tamsin');
        $phone = $this->phoneOf($juno);
        $this->ask($juno, 'DELETE', '/api/sessions')->assertOk();
        self::assertFalse(PushPhone::query()->withoutGlobalScopes()->whereKey($phone)->exists());
    }

    public function testAWrongTimeNamesTheFieldAndTheRemedy(): void
    {
        $phone = (string) Str::uuid7();
        $juno = $this->athlete('Juno Tamsin');
        foreach (
            [
                'morning_at' => [1440, 'from 0 to 1439'],
                'session_at' => ['noon', 'minutes after midnight'],
                'messages' => ['perhaps', 'Say whether'],
            ]
            as $field => [$wrong, $says]
        ) {
            $this->ask($juno, 'PUT', "/api/today/phones/$phone", [$field => $wrong] + self::TIMES)
                ->assertStatus(422)
                ->assertJsonValidationErrors([$field => $says]);
        }
        $this->ask($juno, 'PUT', "/api/today/phones/$phone", [
            'morning_at' => null,
            'session_at' => null,
            'messages' => false,
        ])->assertOk();
    }

    public function testARealServiceTakesThePlaceOfTheStandIn(): void
    {
        $brought = [];
        $this->app?->instance(
            PushService::class,
            new class (static function (Push $push) use (&$brought): void {
                $brought[] = $push->kind->value;
            }) implements PushService {
                public function __construct(private readonly \Closure $note) {}

                public function bring(Push $push): void
                {
                    ($this->note)($push);
                }
            },
        );
        $this->phoneOf($this->athlete('Juno Tamsin'));
        $case = $this->caseOf('Juno Tamsin');
        $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/messages", [
            'words' => 'Well done.',
        ])->assertSuccessful();
        self::assertSame(['message'], $brought);
    }

    public function testPracticesAreRemindedEachByThemselves(): void
    {
        $phones = [];
        foreach (['Ropewalk Circus School', 'Another Practice'] as $practice) {
            $case = $this->caseOf('Juno Tamsin', $practice);
            $this->openDay($case);
            $phones[$this->phoneOf(User::query()->where('athlete_id', $case->athlete_id)->firstOrFail())] =
                $case->practice_id;
        }
        $this->at('08:05');
        app(CurrentPractice::class)->enterEvery();
        self::assertEquals(
            $phones,
            Push::query()
                ->whereIn('phone_id', array_keys($phones))
                ->where('kind', ReminderKind::Morning)
                ->pluck('practice_id', 'phone_id')
                ->all(),
        );
    }
}
