<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Site;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A site is its owner's alone; to anybody else it does not exist. */
final class SitePolicy
{
    public function view(User $user, Site $site): Response
    {
        return $this->own($user, $site);
    }

    public function update(User $user, Site $site): Response
    {
        return $this->own($user, $site);
    }

    private function own(User $user, Site $site): Response
    {
        return $site->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
