/** Whether the ledge's buttons stand on the left, as it was said on this device. */
export const useLeftHanded = () => useLocalStorage('left-handed', false)
