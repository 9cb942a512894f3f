import { create, get, post, put, remove, taking } from '../endpoint'
import type { NetworkSwitched, PinSet, ScreenInvited, ScreenPaired, SignIn } from '../schemas/screen'
import type { DeedView, InvitationView, OwnScreen, ScreensView } from '../screenViews'

/** Other screens of the workshop: who is let in, and as whom. */
export const screenEndpoints = {
  screens: {
    list: get<ScreensView>()('/api/screens', 'Whether the workshop is open to the local network, and who was let in'),
    network: taking<NetworkSwitched>()(
      put<ScreensView>()('/api/screens/network', 'Open the workshop to the local network, or close it'),
    ),
    invite: taking<ScreenInvited>()(
      create<InvitationView>()('/api/screens/invitations', 'A code for one screen, good once and for five minutes'),
    ),
    pair: taking<ScreenPaired>()(post<OwnScreen>()('/api/screens/pair', 'Let a screen in that has a code')),
    own: get<OwnScreen>()('/api/screens/own', 'What this screen may do, and who has signed in'),
    signIn: taking<SignIn>()(post<OwnScreen>()('/api/screens/sign-in', 'A maker signs in with a PIN')),
    signOut: post<OwnScreen>()('/api/screens/sign-out', 'The maker at work signs out'),
    putOut: remove<ScreensView>()('/api/screens/:id', 'Put a screen out, at once'),
    setPin: taking<PinSet>()(put<ScreensView>()('/api/makers/:id/pin', 'Give a maker a PIN')),
    deeds: get<readonly DeedView[]>()('/api/deeds', 'Who was let in, signed in, restored and took out, newest first'),
    authority: get<Blob>()(
      '/api/screens/authority.crt',
      'The certificate of the workshop’s own authority, for a screen to trust',
    ),
  },
} as const
