<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\ExpectationFailedException;
use PHPUnit\Framework\TestCase;

/** What the feature tests hold every answer against finds an answer that breaks the contract. */
final class ContractTest extends TestCase
{
    #[TestWith(['GET', '/api/session', 200, '{"user":null}'])]
    #[TestWith(['GET', '/api/session?now=1', 200, '{"user":null,"is_new":true}'])]
    #[TestWith(['POST', '/api/cases/7/erasure', 423, '{"message":"Enter your password again."}'])]
    #[TestWith(['GET', '/api/cases/7/rights', 404, 'no body that the contract states'])]
    public function testAnAnswerAsTheContractStatesItPasses(
        string $method,
        string $path,
        int $status,
        string $answer,
    ): void {
        Contract::hold($method, $path, $status, $answer);
        $this->addToAssertionCount(1);
    }

    #[TestWith(['GET', '/api/session', 200, '{}', 'required'])]
    #[TestWith(['GET', '/api/session', 200, '{"user":null,"password":"x"}', 'additional'])]
    #[TestWith(['GET', '/api/session', 200, '{"user":{"id":1}}', '#/user|/user'])]
    #[TestWith(['POST', '/api/cases/7/erasure', 423, '{"message":3}', 'string'])]
    #[TestWith(['GET', '/api/session', 418, '{"user":null}', 'answers 418'])]
    #[TestWith(['GET', '/api/nothing-of-the-kind', 200, '{}', 'does not know'])]
    public function testAnAnswerThatBreaksTheContractIsFound(
        string $method,
        string $path,
        int $status,
        string $answer,
        string $words,
    ): void {
        $this->expectException(ExpectationFailedException::class);
        $this->expectExceptionMessageMatches('#' . str_replace('#', '\#', $words) . '#');
        Contract::hold($method, $path, $status, $answer);
    }
}
