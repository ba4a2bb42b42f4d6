<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\SetupCode;
use App\Access\SignIns;
use App\Access\SignInTries;
use App\Actions\BeginPractice;
use App\Http\Requests\Access\SetupCodeRequest;
use App\Http\Requests\Access\SetupRequest;
use Carbon\CarbonImmutable;
use Database\Seeders\DemoPractice;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** The first practice of an empty installation: one's own, or the demo to look around in. */
final class SetupController extends Controller
{
    private const FREE_TRIES = 5;

    public function __construct(private readonly SetupCode $code) {}

    public function store(SetupRequest $request, BeginPractice $begin): JsonResponse
    {
        $this->checkCode($request);
        $typed = static fn(string $field): string => $request->string($field)->trim()->value();
        $password = $request->string('password')->value();
        $owner = $begin->handle($typed('practice'), $typed('timezone'), $typed('name'), $typed('email'), $password);
        Auth::login($owner);
        $request->session()->regenerate();
        $now = CarbonImmutable::now()->getTimestamp();
        $request->session()->put([SignIns::SINCE => $now, 'auth.password_confirmed_at' => $now]);

        return new JsonResponse(['stored' => true], 201);
    }

    public function demo(SetupCodeRequest $request, DemoPractice $demo): JsonResponse
    {
        $this->checkCode($request);
        $password = config('app.demo_password');
        abort_if(
            !is_string($password) || $password === '',
            409,
            'This installation has no password for the demo: start it by ./rung start.',
        );
        $demo->load($password);
        $this->code->forget();

        return new JsonResponse(['email' => 'ola.vance@ropewalk.example', 'password' => $password], 201);
    }

    private function checkCode(SetupCodeRequest $request): void
    {
        $wait = SignInTries::count("setup:{$request->ip()}", self::FREE_TRIES);
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait, "Too many tries. Wait $wait seconds, then try again.");
        }
        if (!$this->code->fits($request->code())) {
            throw ValidationException::withMessages([
                'code' => 'This code does not hold. ./rung start prints a new one as long as there is no practice.',
            ]);
        }
        SignInTries::clear("setup:{$request->ip()}");
    }
}
