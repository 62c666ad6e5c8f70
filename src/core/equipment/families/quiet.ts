/** Machines that leave the knee quiet: they have steps and a place in the gym, and no model of the knee. */
export const QUIET_FAMILIES = [
  { id: "hip_abduction", name: "Hip abduction, seated", about: "Pads outside the thighs, above the knee." },
  { id: "hip_adduction", name: "Hip adduction, seated", about: "Pads inside the thighs, above the knee." },
  { id: "multi_hip", name: "Hip machine, four directions", about: "Standing, a roller at the thigh." },
  { id: "kickback", name: "Rear push", about: "One foot pushes a plate backward." },
  { id: "reverse_hip", name: "Reverse hip bench", about: "Prone, legs hang and lift; a pendulum may load." },
  { id: "calf_standing", name: "Calf raise, standing", about: "Pads on the shoulders or a step and a rail." },
  { id: "calf_seated", name: "Calf raise, seated", about: "A pad on the thigh above the knee." },
  { id: "lever_squat", name: "V-shaped lever squat", about: "Pads on the shoulders on a swinging lever." },
  { id: "hip_bench", name: "Hip and hamstring bench", about: "Ankles held, thighs on a round pad." },
] as const;
