import type { InferType } from 'yup'
import { boolean, object } from 'yup'
import { roles } from '../roles'
import { said } from '../said'
import { idText, nameText, text } from './pieces'

export const screenInvitedSchema = object({
  name: nameText(),
  role: text()
    .oneOf([...roles])
    .required(),
})
  .noUnknown()
  .required()

const codePattern = /^[A-Z2-7]{16}$/
export const screenPairedSchema = object({
  code: text()
    .matches(codePattern, { message: said('code_unread') })
    .required(said('code_unread')),
})
  .noUnknown()
  .required()

const pinPattern = /^\d{4,12}$/
const pin = () =>
  text()
    .matches(pinPattern, { message: said('pin_unread') })
    .required(said('pin_unread'))
export const pinSchema = object({ pin: pin() }).noUnknown().required()
export const signInSchema = object({ makerId: idText(), pin: pin() }).noUnknown().required()
export const networkSchema = object({ isOpen: boolean().required() }).noUnknown().required()

export type ScreenInvited = InferType<typeof screenInvitedSchema>
export type ScreenPaired = InferType<typeof screenPairedSchema>
export type PinSet = InferType<typeof pinSchema>
export type SignIn = InferType<typeof signInSchema>
export type NetworkSwitched = InferType<typeof networkSchema>
