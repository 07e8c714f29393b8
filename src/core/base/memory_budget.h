// SPDX-License-Identifier: GPL-3.0-or-later
// One limit on the memory of all caches together: where it is reached, what was asked for longest ago goes
// first, whosever it is.
#pragma once
#include <cstddef>
#include <cstdint>
#include <list>
#include <memory>
#include <mutex>
#include <unordered_map>
#include <vector>

namespace yemvo {

class KeptByKey;

/// Safe from several threads. Outlives the caches that share it, since each holds on to it.
class MemoryBudget {
public:
    explicit MemoryBudget(std::size_t limit_bytes) : limit_bytes_(limit_bytes) {}
    MemoryBudget(const MemoryBudget&) = delete;
    MemoryBudget& operator=(const MemoryBudget&) = delete;

    std::size_t limit_bytes() const;
    /// Of what the caches hold; what somebody else holds too is counted as well, and stays in memory.
    std::size_t used_bytes() const;
    /// Takes effect at once.
    void set_limit(std::size_t bytes);

private:
    friend class KeptByKey;
    using Values = std::vector<std::shared_ptr<const void>>;
    void make_room(Values& dropped);

    mutable std::mutex mutex_;  ///< of everything here and in the caches
    std::size_t limit_bytes_, used_bytes_ = 0;
    std::uint64_t uses_ = 0;  ///< counted, to tell which came later
    std::vector<KeptByKey*> caches_;
};

/// A quarter of the machine's memory, at most 2 GB.
std::size_t usual_budget_bytes();
/// Large blocks go back to the system as soon as they are freed. For the start of a program: else a large
/// prediction may take twice the memory that it uses, in gaps between what it keeps.
void give_back_large_blocks();
/// The machine's memory.
std::size_t machine_bytes();

/// Values of any kind by key: what ContentCache is made of.
class KeptByKey {
public:
    static constexpr std::size_t no_limit = SIZE_MAX;
    /// `most_bytes`: of this cache alone, where more would only make it slower.
    explicit KeptByKey(std::shared_ptr<MemoryBudget>, std::size_t most_bytes = no_limit);
    ~KeptByKey();
    KeptByKey(const KeptByKey&) = delete;
    KeptByKey& operator=(const KeptByKey&) = delete;

    std::shared_ptr<const void> find(std::uint64_t key);
    /// The latest is always kept, whatever its size. A key that is there stays as it is.
    void keep(std::uint64_t key, std::shared_ptr<const void>, std::size_t bytes);
    void forget(std::uint64_t key);
    std::size_t size() const;
    std::size_t used_bytes() const;

private:
    friend class MemoryBudget;
    struct Entry {
        std::shared_ptr<const void> value;
        std::size_t bytes;
        std::uint64_t used_at;
        std::list<std::uint64_t>::iterator place;
    };
    using Entries = std::unordered_map<std::uint64_t, Entry>;
    void drop(Entries::iterator, MemoryBudget::Values& dropped);
    void drop_oldest(MemoryBudget::Values& dropped);

    std::shared_ptr<MemoryBudget> budget_;
    std::size_t most_bytes_, used_bytes_ = 0;
    std::list<std::uint64_t> order_;  ///< latest first
    Entries entries_;
};

}  // namespace yemvo
