<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Secret;
use App\Access\SignIns;
use App\Access\SignInTries;
use App\Http\Requests\Access\ForgottenPasswordRequest;
use App\Http\Requests\Access\NewPasswordRequest;
use App\Mail\AccountChanged;
use App\Models\AccessKind;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** A forgotten password: a link by mail, by Laravel's own broker. */
final class PasswordController extends Controller
{
    private const FREE_TRIES = 10;

    public function __construct(private readonly CurrentPractice $practice, private readonly SignIns $signIns) {}

    /** Answers the same whether anybody has the address or not. */
    public function ask(ForgottenPasswordRequest $request): JsonResponse
    {
        $this->wait($request);
        $email = $request->email();
        // After the answer, so that how long it takes gives nothing away either.
        app()->terminating(static fn(): string => Password::sendResetLink(['email' => $email]));

        return new JsonResponse(['stored' => true], 202);
    }

    public function set(NewPasswordRequest $request): JsonResponse
    {
        $this->wait($request);
        $status = Password::reset($request->credentials(), function (User $user, string $password) use (
            $request,
        ): void {
            $fault = Secret::fault($password, $user);
            if ($fault !== null) {
                throw ValidationException::withMessages(['password' => $fault]);
            }
            $this->practice->across(
                static fn(): bool => $user->account
                    ->forceFill([
                        'password' => $password,
                        'password_changed_at' => CarbonImmutable::now()->utc(),
                        'remember_token' => Str::random(60),
                    ])
                    ->save(),
            );
            $this->signIns->endOthers($user->account, null);
            SignInTries::clear(
                "sign-in-of:$user->email",
                "sign-in-known:$user->email",
                "sign-in:$user->email|{$request->ip()}",
            );
            $this->practice->during(
                $user->practice_id,
                static fn() => AccessLog::note($user, AccessKind::SignIn, 'set a new password by a mailed link'),
            );
            $this->practice->during(
                $user->practice_id,
                static fn() => AccountChanged::notify($user, 'your password was changed'),
            );
        });
        if ($status !== Password::PASSWORD_RESET) {
            throw ValidationException::withMessages(['token' => NewPasswordRequest::OVER]);
        }

        return new JsonResponse(['stored' => true]);
    }

    private function wait(Request $request): void
    {
        $wait = SignInTries::count("new-password:{$request->ip()}", self::FREE_TRIES);
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait, "Too many tries. Wait $wait seconds, then try again.");
        }
    }
}
