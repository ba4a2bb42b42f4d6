<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\CareCase;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use LogicException;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/**
 * A request that a reader of the core reads, so that the bounds of a field and their words are written once. Faults come
 * back at the fields of the form.
 *
 * @template-covariant T of mixed what is read of it
 */
abstract class CoreRequest extends FormRequest
{
    /** @var array{T}|null */
    private ?array $read = null;

    /** @return T */
    abstract protected function read(ObjectNode $node): mixed;

    /** @return T what was sent, read */
    final public function value(): mixed
    {
        return ($this->read ??
            throw new LogicException('This request is read when Laravel hands it to a controller.'))[0];
    }

    /** @return array<string, mixed> fields that stand in the address or that the server sets */
    protected function added(): array
    {
        return [];
    }

    /** The case that the address names. */
    final protected function careCase(): CareCase
    {
        $case = $this->route('case');

        return $case instanceof CareCase
            ? $case
            : throw new LogicException('The address of this request names no case.');
    }

    /** @throws ValidationException with every fault at its field */
    final protected function passedValidation(): void
    {
        $body = $this->getContent();
        $added = $this->added();
        if ($added !== []) {
            $sent = json_decode($body, false, 32);
            $body = json_encode(
                (object) ($added + (is_object($sent) ? get_object_vars($sent) : [])),
                JSON_THROW_ON_ERROR,
            );
        }
        try {
            $this->read = [Json::read($body, $this->read(...))];
        } catch (InvalidInput $bad) {
            throw CoreFaults::asValidation($bad);
        }
    }
}
