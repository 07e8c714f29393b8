// SPDX-License-Identifier: GPL-3.0-or-later
// The rules that a capture was held against, with pass, near and fail, and the reason.
#pragma once
#include <QListWidget>

#include "capture/air_audit.h"

namespace yemvo::app {

class RuleList : public QListWidget {
    Q_OBJECT
public:
    explicit RuleList(QWidget* parent = nullptr);
    void show_lines(std::vector<AuditLine>);
    const std::vector<AuditLine>& lines() const { return lines_; }
    /// "Retries: fails"
    static QString head(const AuditLine&);

private:
    std::vector<AuditLine> lines_;
};

}  // namespace yemvo::app
