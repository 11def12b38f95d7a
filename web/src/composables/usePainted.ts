import { ref, watch, type Ref } from 'vue';

/**
 * True once what stands first was painted: what lies below it comes a moment later, and keeps nobody waiting.
 *
 * @param stands  whether it is there; at once, when absent
 */
export function usePainted(stands: () => boolean = () => true): Ref<boolean> {
  const painted = ref(false);
  const stop = watch(
    stands,
    (there) => {
      if (!there) return;
      requestAnimationFrame(() => setTimeout(() => (painted.value = true)));
      void Promise.resolve().then(() => stop());
    },
    { immediate: true, flush: 'post' },
  );
  return painted;
}
