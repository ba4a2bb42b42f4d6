<?php

declare(strict_types=1);

namespace App\Providers;

use App\Models\CareCase;
use App\Models\User;
use App\Policies\CareCasePolicy;
use App\Support\CatalogueFiles;
use App\Support\CatalogueShelf;
use App\Support\MessageSender;
use App\Support\SimulatedSender;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind(MessageSender::class, SimulatedSender::class);
        $this->app->singleton(CatalogueShelf::class, fn(): CatalogueShelf => new CatalogueShelf(
            CatalogueFiles::load($this->app->basePath('catalogue'), $this->app->storagePath('framework/catalogue.kept')),
        ));
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Model::preventSilentlyDiscardingAttributes();
        JsonResource::withoutWrapping();
        // Same origin, whatever its name and port.
        Vite::createAssetPathsUsing(static fn(string $path): string => "/$path");

        Gate::policy(CareCase::class, CareCasePolicy::class);
        Gate::define('treat', static fn(User $user): bool => $user->role->treats());
        Gate::define('train', static fn(User $user): bool => $user->athlete_id !== null);
    }
}
