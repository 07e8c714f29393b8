// SPDX-License-Identifier: GPL-3.0-or-later
// Memory on whole cache lines, for the loops that work on 64 bytes at once.
#pragma once
#include <array>
#include <cstddef>
#include <new>
#include <utility>

namespace yemvo {

/// A few large blocks that a thread has freed, kept for its next ones of the same size: planes come and go by
/// the hundred, and fresh memory from the system costs as much as filling it.
class SpareBlocks {
public:
    static constexpr std::size_t least_bytes = 128 << 10, most_bytes = 2 << 20;
    static constexpr std::align_val_t line{64};
    void* take(std::size_t bytes) {
        for (Block& b : blocks_)
            if (b.memory && b.bytes == bytes) return std::exchange(b.memory, nullptr);
        return nullptr;
    }
    /// False where there is no room for it.
    bool keep(void* memory, std::size_t bytes) {
        if (closed_ || bytes < least_bytes || bytes > most_bytes) return false;
        for (Block& b : blocks_) {
            if (b.memory) continue;
            b = {memory, bytes};
            return true;
        }
        return false;
    }
    static SpareBlocks& of_thread() {
        thread_local constinit SpareBlocks blocks;  // stays in place until the thread is gone
        thread_local const AtEnd closer{blocks};
        return blocks;
    }

private:
    struct AtEnd {
        SpareBlocks& blocks;
        ~AtEnd() {
            blocks.closed_ = true;
            for (Block& b : blocks.blocks_) ::operator delete(std::exchange(b.memory, nullptr), line);
        }
    };
    struct Block {
        void* memory = nullptr;
        std::size_t bytes = 0;
    };
    std::array<Block, 6> blocks_;
    bool closed_ = false;  ///< the thread ends
};

template <class T>
struct AlignedAllocator {
    using value_type = T;
    static constexpr std::align_val_t line = SpareBlocks::line;
    AlignedAllocator() = default;
    template <class U>
    AlignedAllocator(const AlignedAllocator<U>&) {}
    T* allocate(std::size_t n) {
        if (n * sizeof(T) >= SpareBlocks::least_bytes)
            if (void* spare = SpareBlocks::of_thread().take(n * sizeof(T))) return static_cast<T*>(spare);
        return static_cast<T*>(::operator new(n * sizeof(T), line));
    }
    void deallocate(T* p, std::size_t n) {
        if (!SpareBlocks::of_thread().keep(p, n * sizeof(T))) ::operator delete(p, line);
    }
    friend bool operator==(const AlignedAllocator&, const AlignedAllocator&) { return true; }
};

}  // namespace yemvo
