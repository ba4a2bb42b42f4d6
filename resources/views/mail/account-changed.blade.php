Hello {!! $name !!},

{!! $what !!} on {!! $moment !!}.

If it was you, there is nothing to do. If it was not, ask for a new password where you sign in, and tell the owner of your practice at once.
