<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Access\Permission;
use App\Access\SecondFactor;
use App\Actions\CloseAccess;
use App\Actions\HandOver;
use App\Actions\InviteAthlete;
use App\Actions\InviteStaff;
use App\Http\Controllers\Controller;
use App\Http\Requests\Access\ChangeRoleRequest;
use App\Http\Requests\Access\InviteStaffRequest;
use App\Http\Requests\Access\LeaveRequest;
use App\Http\Requests\Access\PracticeRulesRequest;
use App\Http\Resources\PeoplePage;
use App\Mail\AccountChanged;
use App\Models\AccessKind;
use App\Models\ApiToken;
use App\Models\CareCase;
use App\Models\CaseShare;
use App\Models\Practice;
use App\Models\Role;
use App\Models\ShareKind;
use App\Models\User;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rules\In;
use Illuminate\Validation\ValidationException;

/** The people who work in a practice, and what each may do: for its owner. */
final class PeopleController extends Controller
{
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(self::people($request));
    }

    public function invite(InviteStaffRequest $request, InviteStaff $invite): JsonResponse
    {
        [, $link] = $invite->handle($request->entry(), self::person($request));

        return new JsonResponse(['link' => $link] + self::people($request), 201);
    }

    /** The invitation again: the letter did not come, or has run out. */
    public function inviteAgain(Request $request, InviteStaff $invite, string $person): JsonResponse
    {
        $user = self::colleague($person);
        abort_if(
            $user->signed_in_at !== null,
            409,
            "$user->name has been here already. Whoever forgot the password asks for a new one where they sign in.",
        );
        AccessLog::note(self::person($request), AccessKind::People, "invited $user->name again");

        return new JsonResponse(
            ['link' => $invite->again($user, self::person($request))] + self::people($request),
            201,
        );
    }

    public function change(ChangeRoleRequest $request, string $person): JsonResponse
    {
        $role = $request->role();
        DB::transaction(static function () use ($request, $person, $role): void {
            $user = self::locked($request, $person);
            $was = $user->role;
            if ($was === $role) {
                return;
            }
            self::keepAnOwner($user, 'role');
            $cases = CareCase::query()->where('practitioner_id', $user->id)->whereNull('closed_on')->count();
            if (!$role->treats() && $cases > 0) {
                throw ValidationException::withMessages([
                    'role' => "$user->name treats $cases open cases. Hand them over first (“Leaves”, or one by one on the case).",
                ]);
            }
            $user->forceFill(['role' => $role])->save();
            if (!$role->may(Permission::Manage)) {
                ApiToken::query()->where('tokenable_id', $user->id)->delete();
            }
            AccessLog::note(self::person($request), AccessKind::People, "made $user->name " . lcfirst($role->title()), [
                'was' => $was->value,
                'is' => $role->value,
            ]);
        });

        return new JsonResponse(self::people($request));
    }

    public function suspend(Request $request, string $person): JsonResponse
    {
        DB::transaction(static function () use ($request, $person): void {
            $user = self::locked($request, $person);
            self::keepAnOwner($user, 'person');
            $user->forceFill(['suspended_at' => CarbonImmutable::now()->utc()])->save();
            self::shutOut($user);
            AccessLog::note(self::person($request), AccessKind::People, "suspended $user->name");
        });

        return new JsonResponse(self::people($request));
    }

    public function admit(Request $request, string $person): JsonResponse
    {
        $user = self::colleague($person);
        $user->forceFill(['suspended_at' => null])->save();
        AccessLog::note(self::person($request), AccessKind::People, "let $user->name in again");

        return new JsonResponse(self::people($request));
    }

    /** Somebody leaves: their open cases go to a colleague in one go, and they come in no more. */
    public function leave(LeaveRequest $request, HandOver $hand, string $person): JsonResponse
    {
        DB::transaction(static function () use ($request, $hand, $person): void {
            $user = self::locked($request, $person);
            self::keepAnOwner($user, 'person');
            $cases = CareCase::query()->where('practitioner_id', $user->id)->whereNull('closed_on')->count();
            if ($cases > 0) {
                $to = User::query()
                    ->whereIn('role', [Role::Owner, Role::Practitioner])
                    ->whereNull('suspended_at')
                    ->whereNull('left_at')
                    ->where('id', '<>', $user->id)
                    ->find($request->string('to')->value() ?: null);
                if (!($to instanceof User)) {
                    throw ValidationException::withMessages([
                        'to' => "$user->name treats $cases open cases. Choose who takes them over: an owner or practitioner of your practice.",
                    ]);
                }
                $hand->all($user, $to, $request->note(), self::person($request));
            }
            $user->forceFill(['left_at' => CarbonImmutable::now()->utc()])->save();
            self::shutOut($user);
            AccessLog::note(self::person($request), AccessKind::People, "$user->name left the practice", [
                'note' => $request->note(),
            ]);
        });

        return new JsonResponse(self::people($request));
    }

    /** A phone with the app was lost, and the recovery codes too. */
    public function removeSecondFactor(Request $request, SecondFactor $second, string $person): JsonResponse
    {
        $user = self::colleague($person);
        abort_unless(
            $user->account->isOfOnePractice(),
            409,
            "$user->name works in other practices too: only they themselves can take the second factor off.",
        );
        $second->remove($user->account);
        CloseAccess::close($user, false);
        AccessLog::note(self::person($request), AccessKind::People, "took the second factor of $user->name off");
        AccountChanged::notify($user, 'your second factor was taken off by the owner of your practice');

        return new JsonResponse(self::people($request));
    }

    /** Whose cases staff see, and whether they need a second factor. */
    public function rules(PracticeRulesRequest $request): JsonResponse
    {
        $person = self::person($request);
        $practice = $person->practice;
        if ($request->boolean('second_factor_needed') && !$person->account->hasSecondFactor()) {
            throw ValidationException::withMessages([
                'second_factor_needed' =>
                    'Set up your own second factor first, on the page “Your account”: otherwise this would shut you out.',
            ]);
        }
        $was = $practice->only(['cases_open_to', 'second_factor_needed']);
        $practice
            ->forceFill([
                'cases_open_to' => $request->string('cases_open_to')->value(),
                'second_factor_needed' => $request->boolean('second_factor_needed'),
            ])
            ->save();
        AccessLog::note($person, AccessKind::People, 'changed who sees which cases and how people sign in', [
            'was' => $was,
            'is' => $practice->only(['cases_open_to', 'second_factor_needed']),
        ]);

        return new JsonResponse(self::people($request));
    }

    /** The owner has taken note that somebody opened a case of others. */
    public function saw(Request $request, string $share): JsonResponse
    {
        CaseShare::query()
            ->where('kind', ShareKind::Opened)
            ->findOrFail($share)
            ->forceFill(['owner_saw_at' => CarbonImmutable::now()->utc()])
            ->save();

        return new JsonResponse(self::people($request));
    }

    private static function colleague(string $id): User
    {
        return User::query()->whereIn('role', Role::STAFF)->whereNull('left_at')->findOrFail($id);
    }

    /** Owners that change at the same moment wait for each other, so that one is always left. */
    private static function locked(Request $request, string $id): User
    {
        Practice::query()->lockForUpdate()->findOrFail(self::person($request)->practice_id);

        return self::colleague($id);
    }

    /** @throws ValidationException */
    private static function keepAnOwner(User $user, string $field): void
    {
        if (
            $user->role === Role::Owner &&
            User::query()
                ->where('role', Role::Owner)
                ->whereNull('suspended_at')
                ->whereNull('left_at')
                ->where('id', '<>', $user->id)
                ->doesntExist()
        ) {
            throw ValidationException::withMessages([
                $field => "$user->name is the only owner. Make somebody else an owner first.",
            ]);
        }
    }

    private static function shutOut(User $user): void
    {
        CloseAccess::close($user, false);
        InviteAthlete::withdraw($user);
        ApiToken::query()->where('tokenable_id', $user->id)->delete();
    }

    /** @return array<string, mixed> */
    private static function people(Request $request): array
    {
        return PeoplePage::present(Practice::query()->findOrFail(self::person($request)->practice_id));
    }
}
