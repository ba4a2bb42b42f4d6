<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Access\SignIns;
use App\Models\CareCase;
use App\Models\Practice;
use App\Models\Role;
use App\Models\User;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Database\Seeders\DemoPractice;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase as Base;
use Illuminate\Testing\TestResponse;

/**
 * HTTP and PostgreSQL as they are in service. Two practices are loaded once, at a fixed moment; each
 * test works in a transaction that is taken back. Every answer is held against the contract.
 */
abstract class TestCase extends Base
{
    use DatabaseTransactions;

    protected const NOW = '2026-04-14T08:30:00+01:00';

    protected const PASSWORD = 'a-word-for-tests';

    private static bool $loaded = false;

    public function createApplication(): Application
    {
        $app = require __DIR__ . '/../../bootstrap/app.php';
        assert($app instanceof Application);
        $app->make(Kernel::class)->bootstrap();
        // Tests run in two processes at a time; each has a database of its own.
        if (getenv('TEST_TOKEN') === '2') {
            config(['database.connections.pgsql.database' => 'rung_2']);
        }

        return $app;
    }

    protected function setUp(): void
    {
        CarbonImmutable::setTestNow(self::NOW);
        parent::setUp();
    }

    /** Before the transaction of the first test begins, the practices are loaded for all of them. */
    protected function refreshApplication(): void
    {
        parent::refreshApplication();
        // Tests look at what was stored from outside; a request sees the rows of whoever is signed in.
        app(CurrentPractice::class)->enterEvery();
        if (self::$loaded) {
            return;
        }
        self::assertSame(
            'test',
            getenv('RUNG_INSTANCE'),
            'run these by ./rung test, which gives them a database of their own',
        );
        $demo = app(DemoPractice::class);
        $demo->load(self::PASSWORD, 'Another Practice', 'other.');
        $demo->load(self::PASSWORD);
        self::$loaded = true;
    }

    protected function practitioner(string $practice = 'Ropewalk Circus School'): User
    {
        return $this->user(Role::Owner, $practice);
    }

    protected function staff(Role $role, string $practice = 'Ropewalk Circus School'): User
    {
        return $this->user($role, $practice);
    }

    /** From here on people of the practice see their own cases, and those that are shared with them. */
    protected function ownCasesOnly(string $practice = 'Ropewalk Circus School'): void
    {
        Practice::query()
            ->where('name', $practice)
            ->update(['cases_open_to' => 'own']);
    }

    protected function caseOf(string $athlete, string $practice = 'Ropewalk Circus School'): CareCase
    {
        return CareCase::query()
            ->whereHas('athlete', static fn($query) => $query->where('name', $athlete))
            ->whereHas('practice', static fn($query) => $query->where('name', $practice))
            ->firstOrFail();
    }

    protected function athlete(string $name, string $practice = 'Ropewalk Circus School'): User
    {
        return User::query()->where('athlete_id', $this->caseOf($name, $practice)->athlete_id)->firstOrFail();
    }

    /**
     * Sends as the browser does and holds the answer against docs/formats/api.yaml.
     *
     * @param array<array-key, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function ask(?User $as, string $method, string $path, array $body = []): TestResponse
    {
        $practice = app(CurrentPractice::class);
        $practice->leave();
        if ($as !== null) {
            // Whoever is signed in has just given the password.
            $this->actingAs($as->unsetRelations())->withSession([
                'auth.password_confirmed_at' => CarbonImmutable::now()->getTimestamp(),
                SignIns::SINCE => CarbonImmutable::now()->getTimestamp(),
            ]);
        }
        $response = $this->json($method, $path, $body);
        $practice->enterEvery();
        Contract::hold($method, $path, $response->getStatusCode(), (string) $response->getContent());

        return $response;
    }

    /**
     * The first session of a day on the phone, which also shows the day before.
     *
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $today
     *
     * @return array<array-key, mixed>
     */
    protected static function dueOn(TestResponse $today, string $on = '2026-04-14'): array
    {
        return (array) collect((array) $today->json('cases.0.sessions'))->firstWhere('on', $on);
    }

    protected static function text(mixed $value): string
    {
        self::assertIsString($value);

        return $value;
    }

    private function user(Role $role, string $practice): User
    {
        return User::query()
            ->where('role', $role)
            ->whereHas('practice', static fn($query) => $query->where('name', $practice))
            ->firstOrFail();
    }
}
