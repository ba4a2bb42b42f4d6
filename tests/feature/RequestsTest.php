<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Requests\CoreRequest;
use App\Models\Role;
use Illuminate\Contracts\Debug\ExceptionHandler;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\Request;
use Illuminate\Routing\Route as RouteOf;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use ReflectionMethod;
use ReflectionNamedType;
use Rung\Core\Input\InvalidInput;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Yaml\Yaml;

/** How what is sent is read: by form requests, with the days and ids that are allowed, and a fault at its field. */
final class RequestsTest extends TestCase
{
    /** Bodies that are a document of its own form, which the core reads whole. */
    private const DOCUMENTS = [
        'POST /api/import',
        'POST /api/import/preview',
        'POST /api/library/file',
        'POST /api/library/file/changes',
    ];

    public function testEveryBodyThatTheContractNamesIsReadByAFormRequest(): void
    {
        $bodies = [];
        $contract = Yaml::parseFile(__DIR__ . '/../../docs/formats/api.yaml');
        self::assertIsArray($contract);
        foreach ((array) $contract['paths'] as $path => $operations) {
            foreach ((array) $operations as $method => $operation) {
                if (is_array($operation) && isset($operation['requestBody'])) {
                    $bodies[strtoupper((string) $method) . " $path"] = true;
                }
            }
        }
        self::assertGreaterThan(60, count($bodies));
        $without = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            foreach ($route->methods() as $method) {
                $name = "$method /{$route->uri()}";
                if (isset($bodies[$name]) && !self::takesAFormRequest($route)) {
                    $without[] = $name;
                }
                unset($bodies[$name]);
            }
        }
        self::assertSame([], array_keys($bodies), 'the contract names these, and no route answers them');
        self::assertEqualsCanonicalizing(self::DOCUMENTS, $without);
    }

    public function testAnIdThatIsNoneIsNotFoundAndNeverAFailure(): void
    {
        $owner = $this->practitioner();
        $athlete = $this->staff(Role::Athlete);
        $case = $this->caseOf('Juno Tamsin')->id;
        $tried = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $names = array_diff(array_filter($route->parameterNames(), is_string(...)), [
                'case',
                'kind',
                'key',
                'table',
                'exercise',
                'structure',
            ]);
            if ($names === [] || !str_starts_with($route->uri(), 'api/') || $route->uri() === 'api/{rest}') {
                continue;
            }
            $path = (string) preg_replace(['/\{case\}/', '/\{[^}]+\}/'], [$case, "nobody's"], $route->uri());
            $answer = $this->ask(
                str_starts_with($route->uri(), 'api/today') ? $athlete : $owner,
                $route->methods()[0],
                "/$path",
            );
            self::assertContains($answer->getStatusCode(), [403, 404, 409, 422, 423], "{$route->methods()[0]} /$path");
            if (!str_contains($route->uri(), 'sign-ins') && !str_contains($route->uri(), '{measure}')) {
                self::assertSame(404, $answer->getStatusCode(), "{$route->methods()[0]} /$path");
            }
            $tried++;
        }
        self::assertGreaterThan(40, $tried);
    }

    public function testWhatTheCoreRefusesStandsAtItsFieldWhereSomethingWasSentAndIsAFailureWhereNothingWas(): void
    {
        $answer = static function (string $method): Response {
            $request = Request::create('/api/anything', $method, server: ['HTTP_ACCEPT' => 'application/json']);
            app()->instance('request', $request);

            return app(ExceptionHandler::class)->render($request, InvalidInput::at('/dose/sets', 'must be 1 or more'));
        };
        $sent = $answer('POST');
        self::assertSame(422, $sent->getStatusCode());
        self::assertJsonStringEqualsJsonString(
            '{"message": "Sets must be 1 or more.", "errors": {"dose.sets": ["Sets must be 1 or more."]}}',
            (string) $sent->getContent(),
        );
        self::assertSame(500, $answer('GET')->getStatusCode());
    }

    /** @return array<string, array{string, int}> seen from 14 April 2026 in Lisbon */
    public static function lastDays(): array
    {
        return [
            'yesterday' => ['2026-04-13', 422],
            'today' => ['2026-04-14', 201],
            'after 366 days' => ['2027-04-15', 201],
            'after 367 days' => ['2027-04-16', 422],
            'no day' => ['2026-02-30', 422],
        ];
    }

    #[DataProvider('lastDays')]
    public function testACaseIsSharedUntilADayFromTodayOnWithinAYear(string $until, int $status): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $colleague = $this->staff(Role::Practitioner);
        $shares = fn(): mixed => $this->ask($this->practitioner(), 'GET', "/api/cases/$case->id/shares")->json(
            'shares',
        );
        $before = $shares();
        $answer = $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/shares", [
            'user' => $colleague->id,
            'until' => $until,
        ])->assertStatus($status);
        if ($status === 422) {
            self::assertSame(['until'], array_keys((array) $answer->json('errors')));
            self::assertSame($before, $shares());
        }
    }

    public function testSomebodyStandsInFromADayUntilOneThatIsNotBeforeIt(): void
    {
        $owner = $this->practitioner();
        $cover = fn(string $from, string $until) => $this->ask($owner, 'POST', '/api/covers', [
            'of' => $owner->id,
            'user' => $this->staff(Role::Practitioner)->id,
            'from' => $from,
            'until' => $until,
        ]);
        $cover('2026-04-20', '2026-04-19')
            ->assertStatus(422)
            ->assertJsonPath('errors', ['until' => ['The last day must not lie before the first.']]);
        $cover('2026-04-13', '2026-04-19')
            ->assertStatus(422)
            ->assertJsonPath('errors', ['from' => ['Choose a day from today on, within a year.']]);
        $cover('2026-04-20', '2026-04-20')->assertStatus(201);
    }

    public function testAnAgreementIsOfADayThatIsNotAhead(): void
    {
        $case = $this->caseOf('Juno Tamsin');
        $agreed = fn(string $on) => $this->ask($this->practitioner(), 'POST', "/api/cases/$case->id/consents", [
            'purpose' => 'teaching',
            'given' => true,
            'on' => $on,
            'how' => ' in person ',
        ]);
        $agreed('2026-04-15')
            ->assertStatus(422)
            ->assertJsonPath('errors', ['on' => ['The day must not lie in the future.']]);
        $agreed('2026-04-14')->assertStatus(201)->assertJsonPath('consents.0.how', 'in person');
    }

    /** Laravel's own sentences name a field as the code calls it, and no remedy. */
    public function testEveryFaultIsSaidInASentenceOfOurs(): void
    {
        $ofLaravel = [];
        $asked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $class = self::formRequest($route);
            if ($class === null || is_subclass_of($class, CoreRequest::class) || !method_exists($class, 'rules')) {
                continue;
            }
            $request = new $class();
            $request->setUserResolver(fn() => $this->practitioner());
            $rules = (array) $request->rules();
            $messages = $request->messages();
            $bad = ['nothing' => null, 'a list' => [[]], 'too long' => str_repeat('ä', 200_000), 'a number' => -7.5];
            foreach ($bad as $kind => $value) {
                $body = [];
                foreach (array_keys($rules) as $field) {
                    data_set($body, str_replace('*', '0', (string) $field), $value);
                }
                $asked++;
                foreach (Validator::make((array) $body, $rules, $messages)->errors()->all() as $sentence) {
                    if (
                        preg_match(
                            '/^(The .* field (is|must) |The selected .* is invalid|validation\.)/',
                            (string) $sentence,
                        ) === 1
                    ) {
                        $ofLaravel["$class: $sentence"] = $kind;
                    }
                }
            }
        }
        self::assertGreaterThan(120, $asked);
        self::assertSame([], $ofLaravel);
    }

    private static function takesAFormRequest(RouteOf $route): bool
    {
        return self::formRequest($route) !== null;
    }

    /** @return class-string<FormRequest>|null */
    private static function formRequest(RouteOf $route): ?string
    {
        if ($route->getControllerClass() === null) {
            return null;
        }
        $controller = $route->getControllerClass();
        $action = $route->getActionMethod();
        $method = new ReflectionMethod($controller, $action === $controller ? '__invoke' : $action);
        foreach ($method->getParameters() as $parameter) {
            $type = $parameter->getType();
            if ($type instanceof ReflectionNamedType && is_subclass_of($type->getName(), FormRequest::class)) {
                return $type->getName();
            }
        }

        return null;
    }
}
