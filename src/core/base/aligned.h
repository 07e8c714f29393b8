// Memory on whole cache lines, for the loops that work on 64 bytes at once.
#pragma once
#include <cstddef>
#include <new>

namespace yemvo {

template <class T>
struct AlignedAllocator {
    using value_type = T;
    static constexpr std::align_val_t line{64};
    AlignedAllocator() = default;
    template <class U>
    AlignedAllocator(const AlignedAllocator<U>&) {}
    T* allocate(std::size_t n) { return static_cast<T*>(::operator new(n * sizeof(T), line)); }
    void deallocate(T* p, std::size_t) { ::operator delete(p, line); }
    friend bool operator==(const AlignedAllocator&, const AlignedAllocator&) { return true; }
};

}  // namespace yemvo
