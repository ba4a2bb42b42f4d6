<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\RefreshStanding;
use App\Actions\StoreHistory;
use App\Care\Intake;
use App\Models\Account;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\Practice;
use App\Models\Role;
use App\Models\ShareKind;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\CaseFile\Athlete as CoreAthlete;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\CaseFile\Details;
use Rung\Core\Record\Side;
use Rung\Core\Simulation\CaseSimulator;
use Rung\Core\Simulation\SimulatedHistory;
use Rung\Core\Time\Day;
use Rung\Core\Time\Zone;

/** Ropewalk Circus School: made-up performers at every point of the work, histories ending today. */
final class DemoPractice
{
    /** Days until the next show. */
    private const NEXT_SHOW_DAYS = 3;

    private const ZONE = 'Europe/Lisbon';

    /** @var array<string, SimulatedHistory> what was played already, by day and performer: the same for every practice */
    private array $played = [];

    public function __construct(
        private readonly CatalogueShelf $shelf,
        private readonly StoreHistory $store,
        private readonly RefreshStanding $standing,
        private readonly CurrentPractice $current,
    ) {}

    /** Every so many cases one is assigned to the assistant. */
    private const ASSIGNED = 3;

    /**
     * @param string $prefix of every mailbox, so that the practice can be loaded more than once
     *
     * @return int how many cases there are now
     */
    public function load(string $password, string $name = 'Ropewalk Circus School', string $prefix = ''): int
    {
        // Hashed once: hashing takes longer than the rest of the demo.
        $password = Hash::make($password);
        DB::transaction(function () use ($password, $name, $prefix): void {
            $practice = $this->current->across(
                static fn(): Practice => Practice::query()->create([
                    'name' => $name,
                    'timezone' => self::ZONE,
                    'demo' => true,
                    'telephone' => '+351 210 000 000',
                    'hours' => 'Monday to Friday, 9:00 to 18:00',
                    'address' => 'Old Mill Lane 4, 1100-001 Lisbon',
                ]),
            );
            $this->current->during($practice->id, function () use ($practice, $password, $prefix): void {
                $ola = self::user($practice, 'Ola Vance', "{$prefix}ola.vance", $password, Role::Owner);
                $ren = self::user($practice, 'Ren Castellan', "{$prefix}ren.castellan", $password, Role::Practitioner);
                $tove = self::user($practice, 'Tove Amsel', "{$prefix}tove.amsel", $password, Role::Assistant);
                self::user($practice, 'Mirek Daal', "{$prefix}mirek.daal", $password, Role::Reader);
                foreach (DemoStories::all() as $i => $demo) {
                    $case = $this->case($practice, $i % 3 === 2 ? $ren : $ola, $demo, $password, $prefix);
                    if ($i % self::ASSIGNED === 0) {
                        CaseShare::query()->create([
                            'practice_id' => $practice->id,
                            'case_id' => $case->id,
                            'user_id' => $tove->id,
                            'kind' => ShareKind::Shared,
                            'by' => $case->practitioner_id,
                            'at' => CarbonImmutable::now()->utc(),
                        ]);
                    }
                }
            });
        });

        return count(DemoStories::all());
    }

    private function case(
        Practice $practice,
        User $practitioner,
        DemoPerformer $demo,
        string $password,
        string $prefix,
    ): CareCase {
        $now = Clock::now(self::ZONE);
        $zone = Zone::named(self::ZONE);
        $today = $zone->dayOf($now);
        $events = self::shows($today);
        $story = $demo->story->withEvents($events);
        $catalogue = $this->shelf->shipped();
        $programme = $catalogue->programme($demo->programme);
        $rule = $catalogue->school($programme->rule)->rule;
        $info = $catalogue->structure($demo->structure);
        $plan = $programme->planFor($info, $catalogue, $demo->goal);
        $plan = $demo->side === Side::Both ? $plan->onBothSides() : $plan;

        // Somebody may have more than one case.
        $athlete = Athlete::query()->firstOrCreate(
            ['practice_id' => $practice->id, 'name' => $demo->name],
            ['act' => $demo->act, 'body_mass_kg' => $demo->mass],
        );
        if ($athlete->wasRecentlyCreated) {
            self::user(
                $practice,
                $demo->name,
                $prefix . strtolower(str_replace(' ', '.', $demo->name)),
                $password,
                Role::Athlete,
                $athlete->id,
            );
        }
        $opened = $today->plus(-$story->days);
        $case = CareCase::query()->create([
            'practice_id' => $practice->id,
            'athlete_id' => $athlete->id,
            'practitioner_id' => $practitioner->id,
            'structure' => $demo->structure->value,
            'structure_title' => $info->title,
            'side' => $demo->side->value,
            'goal' => $demo->goal->value,
            'opened_on' => $opened->toIso(),
            'history' => 'Came on after a spell of extra rehearsals.',
            'programme' => $programme->key,
            'response_rule' => $rule,
            'provocation_test' => $info->usualTest()->toArray(),
            'available' => $story->available,
            'events' => $events,
            'blocked' => [],
            'severity' => [
                'name' => 'severity_score',
                'lowest' => 0,
                'highest' => 100,
                'higher_is_better' => true,
                'smallest_change' => 10,
                'score' => null,
            ],
            'intake' => new Intake(screenedBy: $practitioner->name, screenedOn: $opened),
        ]);
        $file = new CaseFile(
            $zone,
            new CoreAthlete($demo->name, $demo->mass, $demo->goal),
            new Details($demo->structure, $demo->side, $opened),
            $rule,
            $plan->caseStages(),
            [],
        );
        $history = $this->played["{$today->toIso()} $demo->seed $demo->name"] ??= CaseSimulator::play(
            $file,
            $plan,
            $story,
            $catalogue,
            new Randomizer(new Mt19937($demo->seed)),
            $now,
        );
        $this->store->handle($case, $plan, $history, $practitioner);
        $this->standing->refresh($case);

        return $case;
    }

    /**
     * The school plays on Saturdays.
     *
     * @return list<Day>
     */
    private static function shows(Day $today): array
    {
        $shows = [];
        for ($i = -200; $i <= 28; $i++) {
            // Once a week, counted from today, so that the demo is the same on every day of the week.
            if (($i - self::NEXT_SHOW_DAYS) % 7 === 0) {
                $shows[] = $today->plus($i);
            }
        }

        return $shows;
    }

    private static function user(
        Practice $practice,
        string $name,
        string $mailbox,
        string $password,
        Role $role,
        ?string $athlete = null,
    ): User {
        return User::query()->create([
            'practice_id' => $practice->id,
            'athlete_id' => $athlete,
            'name' => $name,
            'account_id' => Account::open("$mailbox@ropewalk.example", $password)->id,
            'role' => $role,
        ]);
    }
}
