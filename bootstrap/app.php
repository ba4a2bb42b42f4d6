<?php

declare(strict_types=1);

use App\Http\Middleware\CheckOrigin;
use App\Http\Middleware\GuardInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\StartSessionOfPeople;
use App\Http\Middleware\TrustConfiguredProxies;
use App\Http\Requests\CoreFaults;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\DatabaseAway;
use App\Support\SafeReport;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\View\Middleware\ShareErrorsFromSession;
use Rung\Core\Input\InvalidInput;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php', health: '/up')
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        // There is no page to sign in at: whoever is nobody is told so, in whatever form they asked.
        $middleware->redirectGuestsTo(static fn(): ?string => null);
        $middleware->replace(TrustProxies::class, TrustConfiguredProxies::class);
        $middleware->prepend(GuardInput::class);
        // Outside of all others, so that their refusals carry the headers too.
        $middleware->prepend(SecurityHeaders::class);
        $middleware->web(
            // Faults are answered as JSON: no page looks for them in the session.
            remove: [ShareErrorsFromSession::class],
            replace: [
                StartSession::class => StartSessionOfPeople::class,
                ValidateCsrfToken::class => CheckOrigin::class,
            ],
        );
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(static fn(Request $request): bool => $request->is('api/*'));
        // What the core refuses of what was sent stands at its field. Where nothing was sent it is a failure like any other.
        $exceptions->map(
            InvalidInput::class,
            static fn(InvalidInput $bad): Throwable => request()->isMethodSafe()
                ? $bad
                : CoreFaults::asValidation($bad),
        );
        $exceptions->report(static function (Throwable $problem): bool {
            SafeReport::write($problem);

            return false;
        });
        $exceptions->render(static function (Throwable $problem, Request $request): JsonResponse|Response|null {
            if (!DatabaseAway::because($problem)) {
                return null;
            }
            $headers = ['Retry-After' => (string) DatabaseAway::RETRY_S];

            return $request->is('api/*')
                ? new JsonResponse(
                    ['message' => 'Rung is away for a moment. What you entered is kept; try again in a few seconds.'],
                    503,
                    $headers,
                )
                : response()->view('away', [], 503, $headers);
        });
        // Answers under /api say what to do next; the details of a failure stay in the log.
        $exceptions->render(static function (Throwable $problem, Request $request): ?JsonResponse {
            if (!$request->is('api/*')) {
                return null;
            }
            $status = match (true) {
                $problem instanceof AuthenticationException => 401,
                $problem instanceof HttpExceptionInterface => $problem->getStatusCode(),
                default => 0,
            };
            if ($status === 403 && ($user = $request->user()) instanceof User) {
                AccessLog::refused($user, "{$request->method()} {$request->route()?->uri()}");
            }
            $message = match ($status) {
                401 => 'You are signed out. Sign in again; what you entered is kept.',
                // A policy may say more than that it refuses.
                403 => in_array($problem->getMessage(), ['', 'This action is unauthorized.'], true)
                    ? 'Your role does not allow this. Ask the owner of the practice.'
                    : $problem->getMessage(),
                404 => 'There is no such record in your practice.',
                419 => 'This page had expired. Send it again; what you entered is kept.',
                default => null,
            };

            return $message === null ? null : new JsonResponse(['message' => $message], $status);
        });
    })
    ->create();
