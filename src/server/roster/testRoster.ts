import type { RosterFiles } from '@/core/roster/read';

/** Files of a roster by their names. */
export type Texts = Readonly<Record<string, string>>;
/** The kinds of a 1.2 roster. */
export const FILES = ['orgs', 'academicSessions', 'courses', 'classes', 'users', 'roles', 'enrollments'];
/** Its manifest: all of them in one mode. */
export const manifest = (mode: string, version = '1.2', files = FILES) =>
  `propertyName,value\nmanifest.version,1.0\noneroster.version,${version}\n${files.map((one) => `file.${one},${mode}`).join('\n')}\n`;
/** A small school of the Skerry Sound world, as a 1.2 bulk. */
export const SCHOOL: Texts = {
  'manifest.csv': manifest('bulk'),
  'orgs.csv':
    'sourcedId,status,dateLastModified,name,type,identifier,parentSourcedId\nd1,,,Skerry District,district,,\ns1,,,Harbour School,school,,d1\ns2,,,Lantern School,school,,d1\n',
  'academicSessions.csv':
    'sourcedId,status,dateLastModified,title,type,startDate,endDate,parentSourcedId,schoolYear\ny1,,,Year,schoolYear,2026-08-01,2027-07-31,,2027\n',
  'courses.csv':
    'sourcedId,status,dateLastModified,schoolYearSourcedId,title,courseCode,grades,orgSourcedId,subjects,subjectCodes\nc1,,,y1,Reading,R6,06,s1,,\n',
  'classes.csv':
    'sourcedId,status,dateLastModified,title,grades,courseSourcedId,classCode,classType,location,schoolSourcedId,termSourcedIds,subjects,subjectCodes,periods\nk1,,,Reading 6,06,c1,,scheduled,,s1,y1,,,\n',
  'users.csv':
    'sourcedId,status,dateLastModified,enabledUser,username,givenName,familyName,password\nu1,,,true,wren,Wren,Halloran,kelp-and-tide\nu2,,,true,petra,"Petra\nMaria",Vance,\n',
  'roles.csv':
    'sourcedId,status,dateLastModified,userSourcedId,roleType,role,beginDate,endDate,orgSourcedId\nr1,,,u1,primary,student,,,s1\nr2,,,u2,primary,teacher,,,s1\n',
  'enrollments.csv':
    'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate\ne1,,,k1,s1,u1,student,,,\ne2,,,k1,s1,u2,teacher,true,,\n',
};
/** A roster as it is read from an archive. */
export const filesFrom = (texts: Readonly<Record<string, string | Uint8Array>>): RosterFiles => ({
  paths: new Set(Object.keys(texts)),
  read: (path) => {
    const content = texts[path] ?? '';
    return typeof content === 'string' ? new TextEncoder().encode(content) : content;
  },
});
