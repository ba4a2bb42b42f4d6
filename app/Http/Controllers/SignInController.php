<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Device;
use App\Access\Email;
use App\Access\People;
use App\Access\SecondFactor;
use App\Access\SetupCode;
use App\Access\SignIns;
use App\Access\SignInTries;
use App\Http\Requests\Access\ChangePlaceRequest;
use App\Http\Requests\Access\SignInCodeRequest;
use App\Http\Requests\Access\SignInRequest;
use App\Mail\NewDevice;
use App\Models\AccessKind;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** Who is signed in, signing in (with a second factor where the account has one), changing the practice, and signing out. */
final class SignInController extends Controller
{
    /** Kept on a device that has signed in to an account, so that others' tries at it do not make its owner wait. */
    private const KNOWN = 'rung_known';

    private const KNOWN_DAYS = 180;

    /** Who gave a right password and still owes a code. */
    private const OWES_CODE = 'owes a code';

    private const CODE_WITHIN_S = 300;

    private const FREE_CODES = 5;

    public function __construct(private readonly CurrentPractice $practice, private readonly SecondFactor $second) {}

    /** Where nobody is signed in it says too whether the installation has no practice yet. */
    public function show(Request $request, SetupCode $setup): JsonResponse
    {
        $user = $request->user();

        return new JsonResponse(
            $user instanceof User
                ? ['user' => self::signedIn($user)]
                : ['user' => null, 'is_new' => $setup->isWanted()],
        );
    }

    public function store(SignInRequest $request): JsonResponse
    {
        $email = $request->email();
        $isKnown = $request->cookie(self::KNOWN) === $email;
        [$here, $place, $account] = [
            "sign-in:$email|{$request->ip()}",
            "sign-in-from:{$request->ip()}",
            ($isKnown ? 'sign-in-known:' : 'sign-in-of:') . $email,
        ];
        $wait = max(
            SignInTries::count($here, SignInTries::FREE),
            SignInTries::count($place, SignInTries::FREE_OF_A_PLACE),
            SignInTries::count($account, SignInTries::FREE_OF_AN_ACCOUNT),
        );
        if ($wait > 0) {
            throw new TooManyRequestsHttpException(
                $wait,
                "Too many wrong tries. Wait $wait seconds, then sign in again.",
            );
        }
        $user = $this->whoHas(['email' => $email, 'password' => $request->password()]);
        if ($user === null) {
            throw ValidationException::withMessages([
                'password' => 'E-mail address and password do not match. Check both.',
            ]);
        }
        SignInTries::clear($here, $place, $account);
        $stay = $request->boolean('stay') && !$user->role->isStaff();
        if ($user->account->hasSecondFactor()) {
            // The session is new, so that nobody who knew the one before comes in with it.
            $request->session()->regenerate();
            $request->session()->put(self::OWES_CODE, [
                'user' => $user->id,
                'stay' => $stay,
                'known' => $isKnown,
                'until' => CarbonImmutable::now()->getTimestamp() + self::CODE_WITHIN_S,
            ]);

            return new JsonResponse(['user' => null, 'owes_code' => true]);
        }

        return $this->comeIn($request, $user, $stay, $isKnown);
    }

    /** The second step: a code of the app, or a recovery code. */
    public function code(SignInCodeRequest $request): JsonResponse
    {
        $owes = $request->session()->get(self::OWES_CODE);
        $id =
            is_array($owes) &&
            is_string($owes['user'] ?? null) &&
            is_int($owes['until'] ?? null) &&
            $owes['until'] >= CarbonImmutable::now()->getTimestamp()
                ? $owes['user']
                : null;
        $user =
            $id === null
                ? null
                : $this->practice->across(
                    static fn(): ?User => User::query()
                        ->with(['account', 'practice'])
                        ->find($id),
                );
        if ($user === null || !$user->isActive()) {
            throw ValidationException::withMessages([
                'code' => 'Too much time has passed. Begin again with your password.',
            ]);
        }
        $key = "code:$user->account_id";
        $wait = SignInTries::count($key, self::FREE_CODES);
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait, "Too many wrong codes. Wait $wait seconds, then try again.");
        }
        if (!$this->second->takes($user->account, $request->string('code')->value())) {
            $this->practice->during(
                $user->practice_id,
                static fn() => AccessLog::note($user, AccessKind::Refused, 'gave a wrong code at signing in'),
            );
            throw ValidationException::withMessages([
                'code' =>
                    'This code does not hold. Take the one that the app shows now, or a recovery code that was not used yet.',
            ]);
        }
        SignInTries::clear($key);
        $request->session()->forget(self::OWES_CODE);

        return $this->comeIn($request, $user, ($owes['stay'] ?? null) === true, ($owes['known'] ?? null) === true);
    }

    /** Goes on in another practice of the same account. */
    public function change(ChangePlaceRequest $request): JsonResponse
    {
        $person = self::person($request);
        foreach (People::places($person->account) as $place) {
            if ($place->id === $request->string('place')->value()) {
                [$since, $from] = [$request->session()->get(SignIns::SINCE), $person->practice->name];
                Auth::login($place);
                $request->session()->regenerate();
                $request->session()->put(SignIns::SINCE, $since);
                $this->noted($place, "came over from $from");

                return new JsonResponse(['user' => self::signedIn($place)]);
            }
        }
        throw ValidationException::withMessages(['place' => 'Choose one of your practices.']);
    }

    public function destroy(Request $request): JsonResponse
    {
        $user = $request->user();
        if ($user instanceof User) {
            $this->practice->during(
                $user->practice_id,
                static fn() => AccessLog::note($user, AccessKind::SignIn, 'signed out'),
            );
        }
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(['user' => null]);
    }

    private function comeIn(Request $request, User $user, bool $stay, bool $isKnown): JsonResponse
    {
        $first = $user->signed_in_at === null;
        Auth::login($user, $stay);
        $request->session()->regenerate();
        $request->session()->put([
            SignIns::SINCE => CarbonImmutable::now()->getTimestamp(),
            'auth.password_confirmed_at' => CarbonImmutable::now()->getTimestamp(),
        ]);
        $this->noted($user, $isKnown || $first ? 'signed in' : 'signed in on a new device');
        if (!$isKnown && !$first && str_contains($user->email, '@')) {
            Mail::to($user->email)->send(
                new NewDevice(
                    $user->name,
                    lcfirst(Device::words((string) $request->userAgent())),
                    $user->practice->timezone,
                ),
            );
        }

        return (new JsonResponse(['user' => self::signedIn($user)]))->withCookie(
            cookie(self::KNOWN, $user->email, 60 * 24 * self::KNOWN_DAYS),
        );
    }

    private function noted(User $user, string $what): void
    {
        $this->practice->during($user->practice_id, static function () use ($user, $what): void {
            $user->forceFill(['signed_in_at' => CarbonImmutable::now()->utc()])->save();
            AccessLog::note($user, AccessKind::SignIn, $what);
        });
    }

    /**
     * An address that nobody has takes as long as one that somebody has: a password is checked either way.
     *
     * @param array{email: string, password: string} $credentials
     */
    private function whoHas(array $credentials): ?User
    {
        $provider = Auth::createUserProvider('users');
        $user = $provider?->retrieveByCredentials($credentials);
        if ($provider === null || !($user instanceof User)) {
            Hash::check($credentials['password'], self::nobodysHash());

            return null;
        }
        if (!$provider->validateCredentials($user, $credentials)) {
            $this->practice->during(
                $user->practice_id,
                static fn() => AccessLog::note($user, AccessKind::Refused, 'gave a wrong password at signing in'),
            );

            return null;
        }
        $provider->rehashPasswordIfRequired($user, $credentials);

        return $user;
    }

    /** A hash that costs as much to check as those that are kept. */
    private static function nobodysHash(): string
    {
        $rounds = config('hashing.bcrypt.rounds');
        $hash = Cache::rememberForever(
            'nobodys-hash:' . (is_int($rounds) ? $rounds : ''),
            static fn(): string => Hash::make(Str::random(40)),
        );

        return is_string($hash) ? $hash : Hash::make('');
    }

    /** @return array<string, mixed> */
    private static function signedIn(User $user): array
    {
        return [
            'id' => $user->id,
            'name' => $user->name,
            'role' => $user->role->value,
            'may' => array_column($user->role->permissions(), 'value'),
            'practice' => $user->practice->name,
            'timezone' => $user->practice->timezone,
            'needs_second_factor' => self::needsSecondFactor($user),
        ];
    }

    /** Whether the practice asks for a second factor that the person has not set up yet. */
    public static function needsSecondFactor(User $user): bool
    {
        return $user->role->isStaff() && $user->practice->second_factor_needed && !$user->account->hasSecondFactor();
    }
}
