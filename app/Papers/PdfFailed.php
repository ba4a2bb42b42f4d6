<?php

declare(strict_types=1);

namespace App\Papers;

use RuntimeException;

/** A page could not be made into a PDF. What the maker printed may hold words of the page, and is not kept. */
final class PdfFailed extends RuntimeException {}
