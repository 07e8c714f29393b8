// SPDX-License-Identifier: GPL-3.0-or-later
// The rules that a capture was held against, with pass, near and fail, and the reason.
#pragma once
#include <QListWidget>
#include <map>

#include "capture/air_audit.h"

namespace yemvo::app {

class RuleList : public QListWidget {
    Q_OBJECT
public:
    explicit RuleList(QWidget* parent = nullptr);
    /// `accepted`: notes with which rules were, by their key.
    void show_lines(std::vector<AuditLine>, std::map<QString, QString> accepted = {});
    /// Null where it was not.
    const QString* accepted(const AuditLine&) const;
    /// The reason, or the note with which the rule was accepted.
    QString words(const AuditLine&) const;
    const std::vector<AuditLine>& lines() const { return lines_; }
    /// "Retries: fails"
    QString head(const AuditLine&) const;

private:
    std::vector<AuditLine> lines_;
    std::map<QString, QString> accepted_;
};

}  // namespace yemvo::app
