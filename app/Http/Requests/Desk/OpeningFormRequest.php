<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\CoreFaults;
use Illuminate\Foundation\Http\FormRequest;
use Rung\Core\Input\InvalidInput;

/** An opening as it was left, sound or not: nothing of it is lost, and nothing of it is read before the case is opened. */
final class OpeningFormRequest extends FormRequest
{
    private const LARGEST_BYTES = 65536;

    private const STEPS = 7;

    /** @return array{name: string, step: int, form: object} */
    public function typed(): array
    {
        $body = $this->getContent();
        $fields = strlen($body) <= self::LARGEST_BYTES ? json_decode($body, false, 16) : null;
        $form = is_object($fields) ? $fields->form ?? null : null;
        if (!is_object($fields) || !is_object($form)) {
            throw CoreFaults::asValidation(
                InvalidInput::at('/form', 'must be the fields of the form, 64 KiB at most; shorten the longest text'),
            );
        }
        $step = $fields->step ?? 1;
        $name = $form->name ?? '';

        return [
            'name' => is_string($name) && trim($name) !== '' ? mb_substr(trim($name), 0, 120) : 'Not named yet',
            'step' => is_int($step) ? max(1, min(self::STEPS, $step)) : 1,
            'form' => $form,
        ];
    }
}
