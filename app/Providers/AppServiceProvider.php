<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\People;
use App\Access\Permission;
use App\Database\PracticeConnector;
use App\Database\Walls;
use App\Mail\FolderTransport;
use App\Models\ApiToken;
use App\Models\CareCase;
use App\Models\User;
use App\Papers\PdfMaker;
use App\Papers\WeasyPrint;
use App\Policies\CareCasePolicy;
use App\Push\PushService;
use App\Push\SimulatedPush;
use App\Support\CatalogueFiles;
use App\Support\CatalogueShelf;
use App\Support\CurrentPractice;
use App\Support\FigureShelf;
use App\Support\MessageSender;
use App\Support\SimulatedSender;
use Carbon\CarbonImmutable;
use Illuminate\Auth\Events\Authenticated;
use Illuminate\Auth\Events\Logout;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Events\ConnectionEstablished;
use Illuminate\Database\Events\MigrationsEnded;
use Illuminate\Database\Events\TransactionRolledBack;
use Illuminate\Foundation\Events\DiagnosingHealth;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Mail\MailManager;
use Illuminate\Queue\Events\WorkerStarting;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\Sanctum;
use Rung\Core\Catalogue\Catalogue;

final class AppServiceProvider extends ServiceProvider
{
    /** Parts of addresses that are ids. Models that a route binds look after theirs. */
    private const IDS = [
        'id',
        'session',
        'decision',
        'share',
        'cover',
        'other',
        'paper',
        'person',
        'import',
        'phone',
        'file',
    ];

    private const UUID = '[\da-fA-F]{8}-[\da-fA-F]{4}-[\da-fA-F]{4}-[\da-fA-F]{4}-[\da-fA-F]{12}';

    public function register(): void
    {
        $this->app->singleton(CurrentPractice::class);
        $this->app->bind('db.connector.pgsql', PracticeConnector::class);
        $this->app->bind(MessageSender::class, SimulatedSender::class);
        $this->app->bind(PdfMaker::class, WeasyPrint::class);
        $this->app->bind(PushService::class, SimulatedPush::class);
        $this->app->singleton(
            CatalogueShelf::class,
            fn(): CatalogueShelf => new CatalogueShelf(
                fn(): Catalogue => CatalogueFiles::load(
                    $this->app->basePath('catalogue'),
                    $this->app->storagePath('framework/catalogue.kept'),
                ),
            ),
        );
        $this->app->singleton(
            FigureShelf::class,
            fn(): FigureShelf => new FigureShelf(
                $this->app->basePath('catalogue/figures'),
                $this->app->storagePath('framework/figures.kept'),
            ),
        );
        // Most requests send no letter, and need not load what sends one.
        $this->callAfterResolving(
            'mail.manager',
            static fn(MailManager $mail): MailManager => $mail->extend(
                'folder',
                static fn(): FolderTransport => new FolderTransport(storage_path('app/mail')),
            ),
        );
    }

    public function boot(): void
    {
        $this->keepPracticesApart($this->app->make(CurrentPractice::class));
        Date::use(CarbonImmutable::class);
        Model::preventSilentlyDiscardingAttributes();
        JsonResource::withoutWrapping();
        // Same origin, whatever its name and port.
        Vite::createAssetPathsUsing(static fn(string $path): string => "/$path");

        Sanctum::usePersonalAccessTokenModel(ApiToken::class);
        // An id that is none finds no route: 404, and no query is asked with it.
        Route::patterns(array_fill_keys(self::IDS, self::UUID));
        Gate::policy(CareCase::class, CareCasePolicy::class);
        foreach (Permission::cases() as $permission) {
            Gate::define($permission->value, static fn(User $user): bool => $user->may($permission));
        }
    }

    /** Whoever is signed in works in their own practice, and the database learns which before each statement that needs it. */
    private function keepPracticesApart(CurrentPractice $practice): void
    {
        Event::listen(Authenticated::class, static function (Authenticated $event) use ($practice): void {
            if ($event->user instanceof User) {
                $practice->enterAs($event->user);
            }
        });
        Event::listen(Logout::class, static fn() => $practice->leave());
        Event::listen(TransactionRolledBack::class, static fn() => $practice->forget());
        // Laravel's /up answers 500 where this fails.
        Event::listen(DiagnosingHealth::class, static fn() => DB::select('select 1'));
        // There is one worker: what the one before it had begun when it was killed is taken up at once.
        Event::listen(
            WorkerStarting::class,
            static fn(): int => DB::table('jobs')
                ->whereNotNull('reserved_at')
                ->update(['reserved_at' => null]),
        );
        Event::listen(MigrationsEnded::class, static fn() => Walls::raise());
        Event::listen(ConnectionEstablished::class, static function (ConnectionEstablished $event) use (
            $practice,
        ): void {
            $event->connection->beforeExecuting(
                static fn(string $query, array $bindings, Connection $connection) => $practice->announce($connection),
            );
        });
        Auth::provider(
            'people',
            static fn(Application $app): People => new People($app->make(Hasher::class), User::class, $practice),
        );
    }
}
