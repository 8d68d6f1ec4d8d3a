<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** A command for scripts: JSON on standard output, messages on standard error, and 2 for unusable input. */
abstract class JsonCommand extends Command
{
    final public function handle(): int
    {
        try {
            return $this->answer();
        } catch (\InvalidArgumentException $error) {
            $this->notice($error->getMessage());

            return 2;
        }
    }

    /** @throws \InvalidArgumentException where the input is unusable */
    abstract protected function answer(): int;

    protected function json(mixed $data): void
    {
        $this->output->write(json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n", false, OutputInterface::OUTPUT_RAW);
    }

    protected function notice(string $message): void
    {
        $this->output->getErrorStyle()->writeln($message, OutputInterface::OUTPUT_RAW);
    }
}
