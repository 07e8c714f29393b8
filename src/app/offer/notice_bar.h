// SPDX-License-Identifier: GPL-3.0-or-later
// What a person has to know about the project's files, said where it is seen, with what can be done about it.
#pragma once
#include <QString>
#include <QWidget>
#include <functional>
#include <vector>

class QHBoxLayout;
class QLabel;

namespace yemvo::app {

struct Notice {
    QString key;  ///< one notice a key: a newer one takes its place
    QString words;
    bool fault = false;
    struct Action {
        QString name, object;
        std::function<void()> run;
    };
    std::vector<Action> actions;  ///< each ends the notice
};

/// One line over the work, hidden while there is nothing to say. The newest notice is shown; when it ends,
/// the one before.
class NoticeBar : public QWidget {
    Q_OBJECT
public:
    explicit NoticeBar(QWidget* parent = nullptr);
    void show_notice(Notice);
    void drop(const QString& key);
    void clear();
    bool says(const QString& key) const;
    /// What is said now; empty when nothing is.
    QString words() const;

private:
    void refresh();
    void paintEvent(QPaintEvent*) override;
    std::vector<Notice> notices_;
    QHBoxLayout* row_;
    QLabel* words_;
};

}  // namespace yemvo::app
