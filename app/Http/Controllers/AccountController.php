<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\People;
use App\Access\SecondFactor;
use App\Access\Secret;
use App\Access\SignIns;
use App\Access\SignInTries;
use App\Access\Totp;
use App\Http\Requests\Access\ChangePasswordRequest;
use App\Http\Requests\Access\ConfirmPasswordRequest;
use App\Http\Requests\Access\NewSecondFactorRequest;
use App\Http\Resources\PlaceResource;
use App\Mail\AccountChanged;
use App\Models\AccessKind;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** The own account: password, second factor, and where it is signed in. */
final class AccountController extends Controller
{
    private const FREE_TRIES = 5;

    public function __construct(
        private readonly CurrentPractice $practice,
        private readonly SecondFactor $second,
        private readonly SignIns $signIns,
    ) {}

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->account($request));
    }

    /** The password again before a sensitive act. */
    public function confirm(ConfirmPasswordRequest $request): JsonResponse
    {
        $this->checkPassword(self::person($request), 'password', $request->password());
        $request->session()->put('auth.password_confirmed_at', CarbonImmutable::now()->getTimestamp());

        return new JsonResponse(['stored' => true]);
    }

    public function password(ChangePasswordRequest $request): JsonResponse
    {
        $person = self::person($request);
        $this->checkPassword($person, 'current', $request->current());
        $new = $request->password();
        $fault = Secret::fault($new, $person);
        if ($fault !== null) {
            throw ValidationException::withMessages(['password' => $fault]);
        }
        $this->practice->across(
            static fn(): bool => $person->account
                ->forceFill([
                    'password' => $new,
                    'password_changed_at' => CarbonImmutable::now()->utc(),
                    'remember_token' => Str::random(60),
                ])
                ->save(),
        );
        $this->signIns->endOthers($person->account, $request->session()->getId());
        AccessLog::note($person, AccessKind::SignIn, 'changed the own password');
        AccountChanged::notify($person, 'your password was changed');

        return new JsonResponse($this->account($request));
    }

    public function beginSecondFactor(Request $request): JsonResponse
    {
        $person = self::person($request);
        $secret = $this->second->begin($person->account);

        return new JsonResponse(['secret' => $secret, 'address' => Totp::address($secret, $person->email)], 201);
    }

    public function confirmSecondFactor(NewSecondFactorRequest $request): JsonResponse
    {
        $person = self::person($request);
        $this->wait("new-code:$person->account_id");
        $codes = $this->second->confirm($person->account, $request->string('code')->value());
        if ($codes === null) {
            throw ValidationException::withMessages([
                'code' =>
                    'This is not the code of now. Look whether the clock of the phone goes right, and type the one that it shows.',
            ]);
        }
        SignInTries::clear("new-code:$person->account_id");
        $this->signIns->endOthers($person->account, $request->session()->getId());
        AccessLog::note($person, AccessKind::SignIn, 'set up a second factor');
        AccountChanged::notify($person, 'a second factor was set up');

        return new JsonResponse(['recovery_codes' => $codes]);
    }

    public function removeSecondFactor(Request $request): JsonResponse
    {
        $person = self::person($request);
        $this->second->remove($person->account);
        AccessLog::note($person, AccessKind::SignIn, 'removed the own second factor');
        AccountChanged::notify($person, 'your second factor was taken off');

        return new JsonResponse($this->account($request));
    }

    public function recoveryCodes(Request $request): JsonResponse
    {
        $person = self::person($request);
        abort_unless($person->account->hasSecondFactor(), 409, 'There is no second factor yet: set it up first.');
        AccessLog::note($person, AccessKind::SignIn, 'made new recovery codes');
        AccountChanged::notify($person, 'new recovery codes were made');

        return new JsonResponse(['recovery_codes' => $this->second->renewCodes($person->account)], 201);
    }

    public function endSignIn(Request $request, string $id): JsonResponse
    {
        $person = self::person($request);
        abort_unless($this->signIns->end($person->account, $id), 404);
        AccessLog::note($person, AccessKind::SignIn, 'ended another sign-in of their own');

        return new JsonResponse($this->account($request));
    }

    /** @throws ValidationException */
    private function checkPassword(User $person, string $field, string $password): void
    {
        $this->wait("confirm:$person->account_id");
        if (!Hash::check($password, $person->getAuthPassword())) {
            AccessLog::note($person, AccessKind::Refused, 'gave a wrong password before a sensitive act');
            throw ValidationException::withMessages([$field => 'This is not your current password.']);
        }
        SignInTries::clear("confirm:$person->account_id");
    }

    private function wait(string $key): void
    {
        $wait = SignInTries::count($key, self::FREE_TRIES);
        if ($wait > 0) {
            throw new TooManyRequestsHttpException($wait, "Too many wrong tries. Wait $wait seconds, then try again.");
        }
    }

    /** @return array<string, mixed> */
    private function account(Request $request): array
    {
        $person = self::person($request);
        $account = $person->account;
        $zone = $person->practice->timezone;

        return [
            'name' => $person->name,
            'email' => $account->email,
            'password_changed_at' => $account->password_changed_at?->setTimezone($zone)->toIso8601String(),
            'second_factor' => [
                'since' => $account->second_factor_since?->setTimezone($zone)->toIso8601String(),
                'recovery_left' => count($account->recovery_codes),
                'needed' => $person->role->isStaff() && $person->practice->second_factor_needed,
            ],
            'sign_ins' => $this->signIns->forAccount($account, $request->session()->getId(), $zone),
            'places' => PlaceResource::collection(People::places($account)),
        ];
    }
}
