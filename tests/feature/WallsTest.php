<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Database\Walls;
use App\Models\CareCase;
use App\Models\Practice;
use App\Support\CurrentPractice;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;
use PHPUnit\Framework\Attributes\DataProvider;

/** What the application's role may not do, and the two walls between practices: the scope of the models and the database's own. */
final class WallsTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function forbidden(): iterable
    {
        yield 'emptying a table' => ['truncate check_ins'];
        yield 'switching a trigger off' => ['alter table decisions disable trigger all'];
        yield 'passing triggers by' => ["set session_replication_role = 'replica'"];
        yield 'running a program' => ["copy (select 1) to program 'true'"];
        yield 'writing a file' => ["copy (select 1) to '/tmp/rung-walls'"];
        yield 'reading a file' => ["select pg_read_file('/etc/hostname')"];
        yield 'making a table' => ['create table mine (id int)'];
        yield 'changing a table' => ['alter table users add column mine int'];
        yield 'dropping a wall' => ['drop policy own_practice on cases'];
        yield 'lowering a wall' => ['alter table cases disable row level security'];
        yield 'taking another role' => ['set role rung_owner'];
        yield 'taking the highest role' => ['set role rung'];
        yield 'making itself higher' => ['alter role rung_app superuser'];
        yield 'reading how the tables came to be' => ['select * from migrations'];
        yield 'making a database' => ['create database mine'];
        foreach (Walls::APPEND_ONLY as $table) {
            yield "changing $table" => ["update $table set practice_id = practice_id"];
            yield "erasing $table" => ["delete from $table"];
        }
    }

    #[DataProvider('forbidden')]
    public function testTheDatabaseRefusesTheApplication(string $statement): void
    {
        $db = self::as('rung_app');
        $db->exec("select set_config('rung.practice', '*', false)");
        try {
            $db->exec($statement);
            self::fail("allowed: $statement");
        } catch (PDOException $refused) {
            // Not allowed (42501), or a setting or role that is not its own to take.
            self::assertContains(
                is_array($refused->errorInfo) ? $refused->errorInfo[0] : '',
                ['42501', '0A000'],
                $refused->getMessage(),
            );
        }
    }

    public function testWhatIsWrittenOnceIsNotChangedByTheOwnerEither(): void
    {
        $db = self::as('rung_owner');
        foreach (Walls::APPEND_ONLY as $table) {
            self::assertSame(
                1,
                (int) self::one(
                    $db,
                    "select count(*) from pg_trigger where tgrelid = '$table'::regclass and tgfoid = 'refuse_change'::regproc and tgenabled = 'O'",
                ),
                $table,
            );
        }
        $this->expectExceptionMessageMatches('/never changed/');
        $db->exec('delete from decisions');
    }

    public function testEveryTableOfAPracticeStandsBehindTheWall(): void
    {
        $db = self::as('rung_owner');
        $open = $db->query(
            <<<'SQL'
            select c.relname from pg_class c
            where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')
                and (c.relname = 'practices' or exists (select 1 from pg_attribute a where a.attrelid = c.oid and a.attname = 'practice_id'))
                and (not c.relrowsecurity or not exists (select 1 from pg_policy p where p.polrelid = c.oid))
            SQL
            ,
        );
        self::assertNotFalse($open);
        self::assertSame([], $open->fetchAll(PDO::FETCH_COLUMN));
        self::assertSame(
            'f',
            self::one(
                $db,
                "select case when rolsuper or rolbypassrls or rolcreaterole or rolcreatedb then 't' else 'f' end from pg_roles where rolname = 'rung_app'",
            ),
        );
        self::assertSame(
            '0',
            self::one(
                $db,
                "select count(*) from pg_class where relowner = (select oid from pg_roles where rolname = 'rung_app')",
            ),
        );
    }

    public function testTheDatabaseShowsThePracticeThatIsNamedAndNoOther(): void
    {
        $db = self::as('rung_app');
        $ids = self::practices();
        self::assertCount(2, $ids);
        $count = static fn(string $practice, string $table): int => (int) self::one(
            $db,
            "select set_config('rung.practice', '$practice', false); select count(*) from $table",
        );
        foreach (['cases', 'users', 'check_ins', 'access_log', 'plan_versions'] as $table) {
            self::assertSame(0, $count('', $table), "no practice named, no rows of $table");
        }
        self::assertSame([14, 14, 28], [$count($ids[0], 'cases'), $count($ids[1], 'cases'), $count('*', 'cases')]);
        self::assertSame(1, $count($ids[0], 'practices'));
        // Nor can a row of another practice be written, or one be moved there.
        $db->exec("select set_config('rung.practice', '$ids[0]', false)");
        foreach (
            [
                "insert into athletes (id, practice_id, name) values (gen_random_uuid(), '$ids[1]', 'x')",
                "update athletes set practice_id = '$ids[1]'",
            ]
            as $statement
        ) {
            try {
                $db->exec($statement);
                self::fail("allowed: $statement");
            } catch (PDOException $refused) {
                self::assertSame('42501', $refused->errorInfo[0] ?? null, $refused->getMessage());
            }
        }
    }

    public function testTheScopeFailsClosed(): void
    {
        $practice = app(CurrentPractice::class);
        $practice->leave();
        self::assertSame(0, CareCase::query()->count(), 'nobody signed in, no rows');
        self::assertSame(0, DB::table('cases')->count(), 'nor past the scope');
        [$first, $other] = $practice->across(self::practices(...));
        $practice->during($first, static function () use ($other): void {
            self::assertSame([14, 14], [CareCase::query()->count(), DB::table('cases')->count()]);
            self::assertSame(0, CareCase::query()->where('practice_id', $other)->count());
            self::assertSame(0, DB::table('cases')->where('practice_id', $other)->count());
        });
        self::assertSame(0, CareCase::query()->count(), 'and again none after the work');
    }

    /** What was set in the database in a transaction that is rolled back is set again. */
    public function testARolledBackTransactionLeavesTheWallWhereItStood(): void
    {
        $practice = app(CurrentPractice::class);
        $first = (string) Practice::query()->orderBy('name')->firstOrFail()->id;
        $practice->leave();
        DB::table('cases')->count();
        DB::beginTransaction();
        $practice->enter($first);
        $inside = DB::table('cases')->count();
        DB::rollBack();
        self::assertSame([14, 14], [$inside, DB::table('cases')->count()]);
    }

    public function testTheSchedulersCommandNamesEachPractice(): void
    {
        app(CurrentPractice::class)->leave();
        self::assertSame(0, Artisan::call('rung:standings', ['--all' => true]));
        self::assertStringContainsString('28 cases looked at again', Artisan::output());
    }

    /** @return list<string> their ids, by name */
    private static function practices(): array
    {
        return array_values(
            array_map(
                static fn(Practice $practice): string => $practice->id,
                Practice::query()->orderBy('name')->get()->all(),
            ),
        );
    }

    private static function as(string $role): PDO
    {
        $password = $role === 'rung_owner' ? getenv('OWNER_PASSWORD') : getenv('DB_PASSWORD');

        return new PDO(
            sprintf('pgsql:host=127.0.0.1;port=%s;dbname=%s', getenv('DB_PORT'), DB::connection()->getDatabaseName()),
            $role,
            (string) $password,
            [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
        );
    }

    private static function one(PDO $db, string $statements): string
    {
        $value = null;
        foreach (explode(';', $statements) as $statement) {
            $found = $db->query($statement);
            $value = $found === false ? null : $found->fetchColumn();
        }

        return is_scalar($value) ? (string) $value : '';
    }
}
