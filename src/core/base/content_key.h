// SPDX-License-Identifier: GPL-3.0-or-later
// Results kept by what they were computed from: undo, variants and what-ifs then cost nothing.
#pragma once
#include <bit>
#include <cstdint>
#include <memory>

#include "base/memory_budget.h"

namespace yemvo {

/// A 64-bit digest of numbers, built up one by one.
class ContentKey {
public:
    ContentKey& add(std::uint64_t v) {
        value_ ^= v + 0x9e3779b97f4a7c15ull + (value_ << 6) + (value_ >> 2);
        value_ *= 0xff51afd7ed558ccdull;
        value_ ^= value_ >> 32;
        return *this;
    }
    ContentKey& add(double v) { return add(std::bit_cast<std::uint64_t>(v)); }
    ContentKey& add(int v) { return add(static_cast<std::uint64_t>(static_cast<std::int64_t>(v))); }
    std::uint64_t value() const { return value_; }

private:
    std::uint64_t value_ = 0xcbf29ce484222325ull;
};

/// Shared results by key, the least recently asked for dropped beyond a budget. Safe from several threads.
template <class T>
class ContentCache {
public:
    /// With a budget of its own.
    explicit ContentCache(std::size_t budget_bytes)
        : ContentCache(std::make_shared<MemoryBudget>(budget_bytes)) {}
    /// With others; `most_bytes`: of this one alone.
    explicit ContentCache(std::shared_ptr<MemoryBudget> budget, std::size_t most_bytes = KeptByKey::no_limit)
        : kept_(std::move(budget), most_bytes) {}

    std::shared_ptr<const T> find(std::uint64_t key) {
        return std::static_pointer_cast<const T>(kept_.find(key));
    }
    void keep(std::uint64_t key, std::shared_ptr<const T> value, std::size_t bytes) {
        kept_.keep(key, std::move(value), bytes);
    }
    void forget(std::uint64_t key) { kept_.forget(key); }
    std::size_t size() const { return kept_.size(); }
    std::size_t used_bytes() const { return kept_.used_bytes(); }

private:
    KeptByKey kept_;
};

}  // namespace yemvo
