// SPDX-License-Identifier: GPL-3.0-or-later
// What the model's own checks found last.
#pragma once
#include <QObject>
#include <memory>
#include <vector>

#include "checks/findings.h"

namespace yemvo::app {

class FoundFindings : public QObject {
    Q_OBJECT
public:
    /// Never null.
    const std::shared_ptr<const std::vector<Finding>>& all() const { return all_; }
    void set(std::shared_ptr<const std::vector<Finding>>);
    /// Those that are not waived.
    std::size_t open() const;

    /// For the workspace, which tells afterwards: another project.
    void start() { all_ = std::make_shared<const std::vector<Finding>>(); }

signals:
    void changed();

private:
    std::shared_ptr<const std::vector<Finding>> all_ = std::make_shared<const std::vector<Finding>>();
};

}  // namespace yemvo::app
