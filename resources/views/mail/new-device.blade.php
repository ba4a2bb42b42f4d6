Hello {!! $name !!},

your sign-in to Rung was used on a device that was not seen before: {!! $device !!}, {!! $moment !!}.

If it was you, there is nothing to do. If it was not, set a new password at once, and end the other sign-ins on the page “Your account”.
